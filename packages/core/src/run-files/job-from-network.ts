import type { LinkLaw } from '../hydraulics/network.ts';
import { freshId, freshJointId } from '../acts/fresh-id.ts';
import { throughPorts } from '../acts/graph-edit.ts';
import { blankJob, type Job } from '../job/job.ts';
import { MOST_PARTS } from '../job/roots/run.ts';
import { measured } from '../fields/measured.ts';
import { describeIssue, readJobDocument } from '../job/read-job-file.ts';
import { inOneLine } from '../fields/text.ts';
import { evenly } from '../numerics/evenly.ts';
import { lastWhere } from '../numerics/last-where.ts';
import type { Part } from '../parts/kinds.ts';
import type { PortRef } from '../parts/port.ts';
import { failure, success, type Result } from '../result.ts';
import { formatQuantity } from '../units/format-quantity.ts';
import { kPa, litresPerHour, mm } from '../units/quick.ts';
import { plainNetworkSchema, type PlainLink, type PlainNetwork } from '../networks/plain-network.ts';
import { runElements, TANK, type Draw, type RunElement } from './run-elements.ts';

/** A tube wall that a file does not tell: 1 mm, common practice for fuel tube. Said in the notes. */
const STAND_IN_WALL = mm(1);
/** The voltage of a pump's curve that tells none. Said in the notes. */
const STAND_IN_VOLTS = 13.5;
/** Smoother than this a pipe is drawn tube and else a hose, m: between the 1.5 µm and the 10 µm that Endrel reckons with. */
const ROUGH = 4e-6;
/** Refused before it is solved: such a file has a few links for each part, ties and loss curves. */
const MOST_LINKS = 4 * MOST_PARTS;
const LEAST_LINE = 0.002; // m, below it a pipe is a loss without a length
const LEAST_LOSS = 0.02; // K, below it no fitting is put in for it
const MOST_LOSS = 100; // K on the bore that is told; beyond it a fitting is told on a smaller one
const USUAL_LOSS = 2; // K on that smaller bore
const RATED = 200; // L/h, at which the drop of a filter is told
const [MOST_ROWS, PUMP_ROWS] = [40, 16];
const MOST_FLOW = litresPerHour(2000);

/** What a network became, and what of it had to be taken for granted, in words. */
export interface JobFromNetwork {
  readonly job: Job;
  readonly notes: readonly string[];
}
interface End extends PortRef {
  readonly part: string;
  /** Fuel comes out of the part here. */
  readonly isOutlet: boolean;
}

/**
 * A network read as the run of a job: lines, pumps, filters, valves and regulators as parts, every reservoir as the one tank, the
 * places that draw as rails, and tees where more than two parts meet. What a network does not tell stays unknown.
 *
 * @returns why it is no run of fuel, where it is none.
 */
export function jobFromNetwork(network: PlainNetwork): Result<JobFromNetwork, string> {
  if (network.links.length > MOST_LINKS)
    return failure(`it has ${network.links.length} links, and a job holds ${MOST_PARTS} parts`);
  const told = plainNetworkSchema.safeParse(network);
  if (!told.success)
    return failure(
      told.error.issues
        .slice(0, 5)
        .map((i) => `${i.path.join(' › ')} ${i.message}`)
        .join('; '),
    );
  const taken = runElements(network);
  if (!taken.ok) return taken;
  const { elements, rails } = taken.value;
  const run = new Run();
  const tank = run.add('tank', {});
  const ends = new Map<string, End[]>();
  const meet = (place: string, end: End) => ends.set(place, [...(ends.get(place) ?? []), end]);
  const notes: string[] = [];
  for (const element of elements) {
    const parts = partsOf(element, notes);
    if (parts.length === 0) continue;
    const ids = parts.map(([kind, own]) => run.add(kind, own));
    const through = ids.map((id) => waysOf(run.parts[id]!));
    ids
      .slice(1)
      .forEach((id, i) => run.join({ part: ids[i]!, port: through[i]![1] }, { part: id, port: through[i + 1]![0] }));
    meet(element.from, { part: ids[0]!, port: through[0]![0], isOutlet: false });
    meet(element.to, { part: ids.at(-1)!, port: through.at(-1)![1], isOutlet: true });
  }
  const railAt = new Map(rails.map((rail) => [rail.place, run.add('rail', railOf(rail))]));
  for (const [place, met] of ends) {
    const rail = railAt.get(place);
    if (place === TANK) joinTank(run, tank, met);
    else if (rail !== undefined) joinRail(run, rail, met);
    else joinAll(run, met);
  }
  const count = Object.keys(run.parts).length;
  if (count > MOST_PARTS) return failure(`it would take ${count} parts, and a job holds ${MOST_PARTS}`);
  const { title, id, fluid, nodes } = network;
  const drawn = nodes.reduce((sum, n) => sum + (n.type === 'junction' ? n.demand_L_h : 0), 0);
  const height = Math.max(...nodes.flatMap((n) => (n.type === 'junction' && n.demand_L_h > 0 ? [n.z_m] : [])));
  const job = {
    ...blankJob(
      inOneLine(title ?? id)
        .trim()
        .slice(0, 80) || 'From a network file',
    ),
    survey: { tank: {}, lines: [], railHeight: measured(height, 'mm') },
    parts: run.parts,
    joints: run.joints,
  };
  const read = readJobDocument(job);
  if (!read.ok) return failure(read.fault.slice(0, 5).map(describeIssue).join('; '));
  notes.push(
    `The file’s engine draws ${formatQuantity('volumeFlow', litresPerHour(drawn))} of a fuel of ${formatQuantity('density', fluid.rho_kg_m3)}: Brief asks which engine and fuel that are.`,
    'Heights are taken as above the tank floor. Tank, vents, materials, ratings and wiring are not in such a file: they are asked for.',
  );
  return success({ job: read.value.job, notes: [...new Set(notes)] });
}

/** Parts and joints as they come together. */
class Run {
  readonly parts: Record<string, Part> = {};
  readonly joints: Job['joints'] = {};
  add(kind: Part['kind'], own: object): string {
    const id = freshId(this, kind);
    this.parts[id] = { ...own, kind, id }; // judged with the whole job, so that a misfit is named and not thrown
    return id;
  }
  join(a: PortRef, b: PortRef): void {
    const id = freshJointId(this, b.part, b.port);
    this.joints[id] = { id, a: { part: a.part, port: a.port }, b: { part: b.part, port: b.port } };
  }
}

function joinTank(run: Run, tank: string, met: readonly End[]): void {
  const [out, back] = [met.filter((e) => !e.isOutlet), met.filter((e) => e.isOutlet)];
  out.forEach((end, i) => run.join({ part: tank, port: `pickup-${i + 1}` }, end));
  back.forEach((end, i) => run.join(end, { part: tank, port: `return-${i + 1}` }));
}

function joinRail(run: Run, rail: string, met: readonly End[]): void {
  const [feeds, leaves] = [met.filter((e) => e.isOutlet), met.filter((e) => !e.isOutlet)];
  const [first, ...more] = feeds;
  const last = leaves.shift() ?? more.shift();
  if (first) run.join(first, { part: rail, port: 'in' });
  if (last) run.join({ part: rail, port: 'out' }, last);
  [...more, ...leaves].forEach((end, i) => run.join(end, { part: rail, port: `side-${i + 1}` }));
}

/** Two ports meet; three of which one is a spilling regulator's meet in its body; else there are tees between. */
function joinAll(run: Run, met: readonly End[]): void {
  const [regulator] = met.filter(({ part, isOutlet }) => {
    const own = run.parts[part]!;
    return own.kind === 'regulator' && own.action === 'bypass' && !isOutlet;
  });
  if (regulator && met.length === 3) {
    const [one, other] = met.filter((e) => e !== regulator);
    run.join(one!, regulator);
    run.join({ part: regulator.part, port: 'out' }, other!);
    return;
  }
  const left = [...met].sort((a, b) => Number(b.isOutlet) - Number(a.isOutlet)); // what feeds the place first
  while (left.length > 2) {
    const tee = run.add('tee', {});
    run.join(left.shift()!, { part: tee, port: 'a' });
    run.join({ part: tee, port: 'branch' }, left.pop()!);
    left.unshift({ part: tee, port: 'b', isOutlet: true });
  }
  const [a, b] = left;
  if (a && b) run.join(a, b);
}

/** By which ports a part is passed: a spilling regulator from its inlet to its return. */
const waysOf = (part: Part): readonly [string, string] =>
  part.kind === 'regulator' && part.action === 'bypass' ? ['in', 'return'] : throughPorts(part)!;

const railOf = ({ draws, bore, pitch }: Draw) => ({
  ...(draws > 1 ? { injectors: draws } : {}),
  ...(bore === undefined ? {} : { bore: measured(mm(bore), 'mm') }),
  ...(pitch === undefined ? {} : { length: measured(pitch * (draws + 1), 'mm') }), // its ends stand half as far out again
});

/** Names of the file stay where they tell more than the kind and a number. */
const labelOf = (id: string) => (/^[a-z-]+-\d+$/.test(id) ? {} : { label: inOneLine(id).slice(0, 60) });

function partsOf({ link, law, slope, cracking, relief }: RunElement, notes: string[]): [Part['kind'], object][] {
  const label = labelOf(link.id);
  switch (link.type) {
    case 'pipe': {
      const bore = mm(link.bore_mm);
      const hasLength = link.length_m > LEAST_LINE;
      const loss =
        link.minor_K > LEAST_LOSS && !(link.check_valve && !hasLength)
          ? lossPart(link.id, bore, link.minor_K)
          : undefined;
      const valve: [Part['kind'], object] | undefined = link.check_valve
        ? [
            'checkValve',
            {
              ...(hasLength ? {} : label),
              bore: measured(bore, 'mm'),
              ...(cracking === undefined ? {} : { cracking: measured(kPa(cracking), 'kPa') }),
            },
          ]
        : undefined;
      return [...(valve ? [valve] : []), ...(loss ? [loss] : []), ...(hasLength ? [lineOf(link, label, notes)] : [])];
    }
    case 'pump':
      return [
        [
          'pump',
          {
            ...label,
            tables: [tableOf(law, notes)],
            ...(relief === undefined ? {} : { reliefPressure: measured(kPa(relief), 'kPa') }),
          },
        ],
      ];
    case 'psv':
    case 'prv':
      return [
        [
          'regulator',
          {
            ...label,
            action: link.type === 'psv' ? 'bypass' : 'deadHead',
            setPressure: measured(kPa(link.set_kPa), 'kPa'),
            slope: measured(kPa(slope ?? link.slope_kPa_per_100L_h), 'kPa'),
            seatBore: measured(mm(link.bore_mm), 'mm'),
            seatLoss: measured(link.minor_K, ''),
          },
        ],
      ];
    case 'gpv':
      return [['filter', { ...label, ...sheetOf(law) }]];
  }
}

function lineOf(link: PlainLink & { type: 'pipe' }, label: object, notes: string[]): [Part['kind'], object] {
  const shared = { ...label, length: measured(link.length_m, 'mm') };
  if (link.roughness_m > ROUGH) return ['hose', { ...shared, bore: measured(mm(link.bore_mm), 'mm') }];
  notes.push(
    `Walls of hard lines are taken as ${formatQuantity('length', STAND_IN_WALL)}, so that their bores are the file’s: measure them.`,
  );
  return [
    'hardLine',
    {
      ...shared,
      outsideDiameter: measured(mm(link.bore_mm) + 2 * STAND_IN_WALL, 'mm'),
      wall: measured(STAND_IN_WALL, 'mm'),
    },
  ];
}

/** A loss without a length; one that is told on a wide stub is told on the bore where it is a usual one. */
function lossPart(id: string, bore: number, k: number): [Part['kind'], object] {
  const told = k > MOST_LOSS ? bore * (USUAL_LOSS / k) ** 0.25 : bore;
  return [
    'fitting',
    {
      label: `Losses of ${id}`.slice(0, 60),
      shape: 'straight',
      bore: measured(told, 'mm'),
      lossCoefficient: measured(k * (told / bore) ** 4, ''),
    },
  ];
}

function tableOf(law: LinkLaw, notes: string[]) {
  notes.push(`Curves of pumps are taken to hold at ${STAND_IN_VOLTS} V: the file tells no voltage.`);
  if (law.kind !== 'pump') throw new Error(`${law.kind} is no pump`);
  const most = lastWhere(0, MOST_FLOW, (flow) => law.rise.value(flow) > 0);
  const knots = law.rise.knots?.filter((flow) => flow <= most) ?? [];
  const flows = knots.length > 1 && knots.length <= MOST_ROWS ? knots : evenly(0, most, PUMP_ROWS);
  const rows = flows.map((flow) => ({
    pressure: measured(Math.max(0, law.rise.value(flow)), 'kPa'),
    flow: measured(flow, 'L/h'),
  }));
  return { voltage: measured(STAND_IN_VOLTS, 'V'), rows: rows.reverse() };
}

/** A loss curve as a filter's sheet: its drop at one flow, and how much of that goes with the flow and not with its square. */
function sheetOf(law: LinkLaw) {
  if (law.kind !== 'curve') throw new Error(`${law.kind} has no loss curve`);
  const flow = litresPerHour(RATED);
  const [whole, half] = [law.loss.value(flow), law.loss.value(flow / 2)];
  const share = whole > 0 ? Math.min(1, Math.max(0, (4 * half - whole) / whole)) : 1;
  return {
    ratedFlow: measured(flow, 'L/h'),
    ratedDrop: measured(whole, 'kPa'),
    viscousShare: measured(share, '%'),
  };
}
