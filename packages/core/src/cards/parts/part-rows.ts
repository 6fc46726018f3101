import { adapterInWords } from '../../fittings/adapter.ts';
import { describePort } from '../../fittings/port.ts';
import { countAdapters } from '../../joints/chain-plan.ts';
import { jointsOf, type JointFinding } from '../../run/joints.ts';
import type { Job } from '../../job/job.ts';
import { clampNames } from '../../parts/joint.ts';
import { kindOf, partName, propertiesOf, type Part } from '../../parts/kinds.ts';
import { specification } from '../../parts/list-line.ts';
import { circuitsOf } from '../../run/circuits.ts';
import type { Line } from '../../run/zones.ts';
import type { Say } from '../../units/unit-system.ts';
import { deviceName, kindOfDevice, protective, protects } from '../../harness/devices/index.ts';
import { devicesOf } from '../../harness/in-circuit.ts';
import { rollPlans } from '../../wiring/wire-list.ts';

/** One line of the shopping list. */
export interface PartRow {
  readonly part: string;
  readonly specification: string;
  readonly quantity: string;
  readonly where: Line;
  /** What is still unknown and has to be settled before it is bought. */
  readonly open: string;
}

/**
 * Everything on the run that has to be bought or found, in the order of the fuel, and the small parts that go with it.
 *
 * @param say - one system of units for the whole card, whatever each thing was measured in.
 */
export function partRows(job: Job, say: Say): PartRow[] {
  const run = circuitsOf(job);
  const joints = jointsOf(job);
  const onRun = run.parts.flatMap((part): PartRow[] => {
    const where = run.lineOf(part.id);
    const made = kindOf(part).buys(part, say);
    const fittings = run
      .ports(part.id)
      .flatMap((p) => (p.known.fitting ? [`${p.spec.name}: ${describePort(p.known.fitting)}`] : []));
    const small = (name: string, quantity: number): PartRow => ({
      part: name,
      specification: `for ${partName(part)}`,
      quantity: String(quantity),
      where,
      open: '',
    });
    return [
      ...(made === undefined
        ? []
        : [
            {
              part: partName(part),
              specification: specification(made, ...fittings),
              quantity: '1',
              where,
              open: openPoints(part).join(', '),
            },
          ]),
      ...clampsOf(job, part).map(([name, count]) => small(name, count)),
      ...closures(job, part).map(([name, count]) => small(name, count)),
      ...adaptersInto(joints, part.id).map(({ name, count, joint }): PartRow => ({
        part: name,
        specification: `joint ${joint}`,
        quantity: String(count),
        where,
        open: '',
      })),
    ];
  });
  return [...onRun, ...wiringRows(job, say)];
}

/** Devices of the circuit that are bought, and the wire off the roll. */
function wiringRows({ wiring }: Job, say: Say): PartRow[] {
  if (!wiring) return [];
  const row = (part: string, made: string, quantity: string, open = ''): PartRow => ({
    part,
    specification: made,
    quantity,
    where: 'supply',
    open,
  });
  const devices = devicesOf(wiring).flatMap((d) => {
    const made = d.stands === 'kept' ? undefined : kindOfDevice(d).buys?.(d);
    return made === undefined
      ? []
      : [row(deviceName(d), made, '1', protects(d) && !protective(d)!.rating ? 'what it is rated' : '')];
  });
  const wires = rollPlans(wiring).flatMap(({ colour, area, buy }) =>
    buy > 0 ? [row(`Wire, ${colour || 'any colour'}`, say('area', area), say.tape(buy))] : [],
  );
  return [...devices, ...wires];
}

/** Adapters that are chosen for the joints by which fuel comes into a part. */
function adaptersInto(joints: readonly JointFinding[], id: string): { name: string; count: number; joint: number }[] {
  return joints
    .filter((j) => j.to === id)
    .flatMap((j) =>
      [...countAdapters(j.chain).values()].map(({ adapter, count }) => ({
        name: adapterInWords(adapter),
        count,
        joint: j.number,
      })),
    );
}

/** What a part's own measurements leave open for the buyer. */
function openPoints(part: Part): string[] {
  const held = part as unknown as Record<string, unknown>;
  return Object.entries(propertiesOf(part.kind))
    .filter(([key, property]) => 'needed' in property && property.needed && held[key] === undefined)
    .map(([, property]) => property.name);
}

const counted = (names: readonly string[]): [string, number][] =>
  [...new Set(names)].map((name) => [name, names.filter((n) => n === name).length]);

/** What holds the ends of a hose. */
function clampsOf(job: Job, part: Part): [string, number][] {
  if (part.kind !== 'hose') return [];
  const ends = circuitsOf(job).ports(part.id);
  return counted(
    ends.flatMap((p) => {
      const { clamp, chain } = p.peer?.joint ?? {};
      // a chosen hose end stands on the card by itself
      const name = clamp && !(clamp === 'hoseEnds' && chain) && clampNames[clamp];
      return name ? [name] : [];
    }),
  );
}

/** Caps and plugs on ports that lead nowhere. */
const closures = (job: Job, part: Part): [string, number][] =>
  counted(
    circuitsOf(job)
      .ports(part.id)
      .flatMap((p) => (p.state === 'capped' ? ['Cap for a port'] : p.state === 'plugged' ? ['Plug for a port'] : [])),
  );
