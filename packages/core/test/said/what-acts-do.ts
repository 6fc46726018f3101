import { describeAct, type Act } from '../../src/acts/act.ts';
import { tryAct } from '../../src/acts/apply-act.ts';
import { restoring, touchedBy } from '../../src/acts/touched.ts';
import type { Job } from '../../src/job/job.ts';
import { layouts, type LayoutKey } from '../../src/job/layout.ts';
import { partsAside } from '../../src/parts/graph.ts';
import { circuitsOf } from '../../src/run/circuits.ts';
import { actsOf, type Dice } from '../any-edit.ts';
import { seeded } from '../seeded.ts';
import { linesOf } from './what-is-said.ts';

/** The run as it is joined, part by part, and what lies beside it. */
function runOf(job: Job): string[] {
  const { flows, order } = circuitsOf(job);
  const part = (id: string) => {
    const { kind, role } = job.parts[id]! as { kind: string; role?: string };
    return `${id} ${kind}${role === undefined ? '' : ` as ${role}`}`;
  };
  return [
    `  order ${order.map(part).join(', ')}`,
    ...flows.map((f) => {
      const { clamp, chain } = job.joints[f.joint]!;
      const held = [clamp, ...(chain ?? []).map(String)].filter((word) => word !== undefined);
      return `  ${f.from}.${f.fromPort} → ${f.to}.${f.toPort} ${f.zone.kind} ${held.join(' ')}`.trimEnd();
    }),
    `  beside ${partsAside(job)
      .map((p) => part(p.id))
      .join(', ')}`,
  ];
}

/** Each school laid out on a job, and laid back from there into the first. */
export const saidOfLayouts = (job: Job): string[] =>
  (Object.keys(layouts) as LayoutKey[]).flatMap((key, i, keys) => {
    const there = tryAct(job, { act: 'chooseLayout', key });
    if (!there.ok) return [`== ${key}: ${there.fault.message}`, ''];
    const back = tryAct(there.value, { act: 'chooseLayout', key: keys[(i + 1) % keys.length]! });
    return [
      `== ${key}`,
      ...runOf(there.value),
      ...(back.ok ? [`  then ${keys[(i + 1) % keys.length]}`, ...runOf(back.value)] : [`  then ${back.fault.message}`]),
      '',
    ];
  });

const DICE = 60; // acts tried on one job

/** Acts of any kind, one after the other, with what each touched and what takes it back. */
export function saidOfActs(job: Job, seed: number): string[] {
  const random = seeded(seed);
  const throws = Array.from({ length: DICE }, () => [random(), random(), random(), random(), random()] as Dice);
  const done = actsOf(job, throws);
  const said = ({ act, before, after }: { act: Act; before: Job; after: Job }): string[] => {
    const back = restoring(after, before, 'back');
    const paths = touchedBy(before, after).map((path) => path.join('/'));
    return [
      `${act.act}: ${describeAct(before, act)}`,
      `  touches ${paths.join(', ')}`,
      ...linesOf(
        back?.records.map((r) => r.path.join('/')),
        '  back by',
      ),
    ];
  };
  return [...done.flatMap(said), ...runOf(done.at(-1)?.after ?? job)];
}
