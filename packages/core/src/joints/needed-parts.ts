import { adapterInWords, type Adapter } from '../fittings/adapter.ts';
import type { Job } from '../job/job.ts';
import { describePort, sayPort } from '../fittings/port.ts';
import { partName } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import type { JointFinding } from '../run/joints.ts';
import { planned, type JointPlan } from './chain-plan.ts';
import { makeUp } from './make-up.ts';
import type { ShelfPart } from '../fittings/stock.ts';

/** Groups of an order: one counter each. */
export const orderGroups = {
  ends: 'Hose and tube ends',
  adapters: 'Adapters',
  seals: 'Seals, sealant and clamps',
  closures: 'Caps and plugs',
} as const;
export type OrderGroup = keyof typeof orderGroups;

/** One thing that the joints of a job take. */
export interface NeededPart {
  readonly group: OrderGroup;
  /** By it the bench and the shelf know it. */
  readonly code: string;
  readonly name: string;
  readonly needed: number;
  /** More than needed, for who does it the first time. */
  readonly spare: number;
  readonly onBench: number;
  readonly onShelf: number;
  /** What the bench lay-out lacks. */
  readonly missing: number;
  /** Of what is missing, with its spare, what the shelf cannot give. */
  readonly toBuy: number;
  /** On the bench and not needed. */
  readonly over: number;
  /** Joints that take it. */
  readonly joints: readonly string[];
  readonly adapter?: Adapter;
}

/** Kinds of thing of which one is easily spoilt the first time. Common practice. */
const SPOILT = /O-ring|washer|ferrule|nut and sleeve|double flare|crimp/;

/** What every joint takes, chosen or proposed, against what lies on the bench and on the shelf. */
export function neededParts(
  job: Pick<Job, 'parts' | 'joints' | 'bench'>,
  joints: readonly JointFinding[],
  plans: readonly JointPlan[],
  shelf: readonly ShelfPart[],
): NeededPart[] {
  const found = new Map<
    string,
    { group: OrderGroup; name: string; count: number; joints: string[]; adapter?: Adapter }
  >();
  const take = (group: OrderGroup, code: string, name: string, joint: string, adapter?: Adapter) => {
    const held = found.get(code) ?? { group, name, count: 0, joints: [], adapter };
    held.count++;
    if (!held.joints.includes(joint)) held.joints.push(joint);
    found.set(code, held);
  };
  for (const joint of planned(joints, plans)) {
    for (const adapter of joint.chain) {
      const isEnd = adapter.shape === 'hoseEnd' || adapter.shape === 'tubeEnd' || adapter.shape === 'banjo';
      const name = adapterInWords(adapter);
      take(isEnd ? 'ends' : 'adapters', adapter.code, name, String(joint.number), adapter);
    }
    for (const meeting of joint.meetings) {
      const bought = makeUp(meeting, joint.joint)?.bought;
      if (bought) take('seals', bought, bought, meeting.number);
    }
  }
  const run = circuitsOf(job);
  for (const part of run.parts)
    for (const { state, spec, known } of run.ports(part.id)) {
      if (state !== 'capped' && state !== 'plugged') continue;
      const closes = (port: string) => `${state === 'capped' ? 'Cap' : 'Plug'} for ${port}`;
      const unread = `the ${spec.name} of ${partName(part)}`;
      const { fitting } = known;
      take(
        'closures',
        closes(fitting ? sayPort(fitting) : unread),
        closes(fitting ? describePort(fitting) : unread),
        '–',
      );
    }
  const bench = job.bench ?? {};
  for (const [code, { name, count }] of Object.entries(bench))
    if (count > 0 && !found.has(code)) found.set(code, { group: 'adapters', name, count: 0, joints: [] });
  const held = new Map(shelf.map((p) => [p.adapter.code, p.count]));
  const rows = [...found].map(([code, { group, name, count, joints: at, adapter }]): NeededPart => {
    const [onBench, onShelf] = [bench[code]?.count ?? 0, held.get(code) ?? 0];
    const spare = count > 0 && SPOILT.test(name) ? 1 : 0;
    return {
      group,
      code,
      name,
      needed: count,
      spare,
      onBench,
      onShelf,
      missing: Math.max(0, count - onBench),
      toBuy: Math.max(0, count + spare - onBench - onShelf),
      over: Math.max(0, onBench - count - spare),
      joints: at,
      ...(adapter ? { adapter } : {}),
    };
  });
  const order = Object.keys(orderGroups) as OrderGroup[];
  return rows.sort((a, b) => order.indexOf(a.group) - order.indexOf(b.group) || a.name.localeCompare(b.name));
}
