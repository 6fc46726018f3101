import { kindOf } from '../parts/kinds.ts';
import type { Job } from '../job/job.ts';
import { flowAgainst } from '../hydraulics/pump-curve.ts';
import { pumpModel } from '../pumps/pump-model.ts';
import { circuitsOf } from '../run/circuits.ts';
import { feedAt } from '../run/wired-pumps.ts';
import type { PartFlow, PointResult } from '../run/point-result.ts';
import { resultsOf, type RunSolution } from '../run/solve-run.ts';
import { carries } from '../harness/ampacity.ts';
import type { CircuitFault } from '../harness/circuit.ts';
import { crimpsOf, type CrimpFinding } from './crimps.ts';
import { cutOff, truthTable, type CutOffRow } from '../harness/cut-off.ts';
import { DRIVING } from '../harness/cut-off-state.ts';
import { kindOfDevice, protects } from '../harness/devices/index.ts';
import { firstFuseOf, mostDropOf, type Harness } from '../harness/harness.ts';
import { devicesOf, linkId, linksOf, pumpPlaces, wiresOf } from '../harness/in-circuit.ts';
import { protectionsOf, type Protections } from './protection.ts';
import {
  ampsAt,
  drawnAt,
  dropLegs,
  wiringPoint,
  type PumpAt,
  type PumpCircuit,
  type WiringPoint,
} from './pump-circuit.ts';
import { across, isOnWay, pumpFeeds, solveHarness, type PumpFeeds, type PumpPort } from '../harness/pump-feeds.ts';
import { sensorCircuits, widebandOffsets, type SensorCircuit, type WidebandOffset } from './signals.ts';
import { sizeHarness, type PumpDraw, type SizeChange, type Sized } from './sizes.ts';
import { resized } from './resized.ts';

/** Something that may carry only so much. */
export interface RatedFinding {
  readonly device: string;
  /** A: the most that passes at any point, what it is rated for, and what its fuse would pass. */
  readonly amps: number;
  readonly rated: number;
  readonly fuse?: number | undefined;
  readonly pumps: readonly string[];
}
export interface FuseFinding {
  readonly device: string;
  readonly rating?: number;
  readonly amps: number;
  readonly pumps: readonly string[];
}
export interface WireFinding {
  readonly wire: string;
  /** Most that passes, A, its conductors together. */
  readonly amps: number;
  readonly at?: string;
  readonly carries?: number;
  /** A that its fuses pass; undefined: an unread fuse, none, or nothing feeds it. */
  readonly fuse?: number | undefined;
  readonly fuses: readonly string[];
  readonly side: 'supply' | 'earth' | 'other';
  readonly pumps: readonly string[];
  /** Unfused, and longer than what may be. */
  readonly isBare: boolean;
}

/** A step of the proposed sizes, and what it brings. */
export interface SizeStep {
  readonly change: SizeChange;
  /** V still lost by the pump that loses most, with this step done. */
  readonly drop: number;
  /** m3/s that this step brings, all pumps together. */
  readonly gained: number;
}
export interface SizeProposal {
  readonly steps: readonly SizeStep[];
  readonly dropBefore: number;
  readonly dropAfter: number;
  /** m3/s. */
  readonly gained: number;
}

export interface WiringFindings {
  readonly fault?: CircuitFault;
  /** Wires of which an end is on nothing. */
  readonly loose: readonly string[];
  readonly pumps: readonly PumpCircuit[];
  /** Pumps of the run that no circuit feeds. */
  readonly undrawn: readonly string[];
  readonly points: readonly WiringPoint[];
  readonly truth: readonly CutOffRow[];
  readonly backwards: readonly string[];
  readonly wires: readonly WireFinding[];
  readonly rated: readonly RatedFinding[];
  readonly fuses: readonly FuseFinding[];
  /** The cheapest set that meets all; absent when what stands does, or while lengths are missing. */
  readonly proposal?: SizeProposal;
  /** The cheapest set that is safe, whatever the volts. */
  readonly safe?: Sized;
  /** Why no set will do, if none does. */
  readonly impossible?: Extract<Sized, { ok: false }>;
  readonly crimps: readonly CrimpFinding[];
  readonly sensors: readonly SensorCircuit[];
  readonly widebands: readonly WidebandOffset[];
}

/** The point for which volts are listed and sizes are reckoned: where the engine wants most with least voltage. */
export const SIZED_AT = 'fullLoadHot';

/** All that is computed of a circuit. @param solution - of the run; without it there are no currents, and the logic alone. */
export function wiringFindings(job: Job, solution: RunSolution | undefined): WiringFindings | undefined {
  const harness = job.wiring;
  if (!harness || (harness.devices ?? []).length === 0) return undefined;
  const found = pumpFeeds(harness);
  const feeds = found.ok ? found.value : undefined;
  const ports = feeds?.ports ?? [];
  const results = solution
    ? [...resultsOf(solution), ...Object.values(solution.wired ?? {}).filter((p) => p !== undefined)]
    : [];
  const points = feeds
    ? results.map((result) => wiringPoint(result, feeds.at(feedAt(result.point), ampsAt(result))))
    : [];
  const portsThrough = (id: string) => ports.filter((p) => isOnWay(p, id));
  const protections = protectionsOf(harness, (id) => portsThrough(id).map((p) => ({ fedAt: p.a })));
  const pumps = ports.map((port) => pumpCircuit(harness, port, points, results, protections));
  const mostThrough = (id: string) => {
    const all = points.map((p) => ({ key: p.key, amps: Math.abs(p.amps[id] ?? 0) }));
    return all.reduce<{ key?: string; amps: number }>((a, b) => (b.amps > a.amps ? b : a), { amps: 0 });
  };
  const partsThrough = (id: string) => portsThrough(id).map((p) => p.part);
  const drawn = new Set(pumpPlaces(harness).map((p) => p.part));
  const driving = cutOff(harness, DRIVING);
  const sensorHost = (id: string) => circuitsOf(job).into(id)[0]?.from;
  return {
    ...(found.ok ? {} : { fault: found.fault }),
    loose: looseWires(harness),
    pumps,
    undrawn: circuitsOf(job)
      .parts.filter((p) => kindOf(p).isElectric && !drawn.has(p.id))
      .map((p) => p.id),
    points,
    truth: truthTable(harness),
    backwards: [...driving.backwards],
    wires: wireFindings(harness, protections, mostThrough, partsThrough),
    rated: devicesOf(harness).flatMap((d): RatedFinding[] => {
      if (kindOfDevice(d).fuse) return [];
      const links = linksOf(harness).flatMap(({ id, device, link: { rated } }): RatedFinding[] =>
        device.id === d.id && rated !== undefined
          ? [
              {
                device: d.id,
                amps: mostThrough(id).amps,
                rated,
                fuse: protections.of(id)?.amps,
                pumps: partsThrough(id),
              },
            ]
          : [],
      );
      // of a device with several ways the one that is worst off
      return links
        .sort((p, q) => q.amps / q.rated - p.amps / p.rated || (q.fuse ?? 0) / q.rated - (p.fuse ?? 0) / p.rated)
        .slice(0, 1);
    }),
    fuses: devicesOf(harness).flatMap((d): FuseFinding[] => {
      const opens = kindOfDevice(d).fuse?.(d);
      if (opens === undefined) return [];
      const id = linkId(d.id, 0);
      return [
        {
          device: d.id,
          amps: mostThrough(id).amps,
          pumps: partsThrough(id),
          ...(opens === null ? {} : { rating: opens }),
        },
      ];
    }),
    ...(feeds ? proposals(job, harness, feeds, pumps, protections, solution) : {}),
    crimps: crimpsOf(harness),
    sensors: sensorCircuits(job, harness, points, results, sensorHost),
    widebands: widebandOffsets(harness),
  };
}

const looseWires = (harness: Harness): string[] => {
  const joined = new Set(wiresOf(harness).map((w) => w.id));
  return (harness.wires ?? []).filter((w) => w.stands !== 'out' && !joined.has(w.id)).map((w) => w.id);
};

function pumpCircuit(
  harness: Harness,
  port: PumpPort,
  points: readonly WiringPoint[],
  results: readonly PointResult[],
  protections: Protections,
): PumpCircuit {
  const at = Object.fromEntries(
    points.flatMap((point): [string, PumpAt][] => {
      const drawn = drawnAt(results.find((r) => r.point.key === point.key)!).get(port.part);
      if (!drawn) return [];
      const volts = across((place) => point.volts[place], port);
      const legs = dropLegs(harness, port, point, (id) => protections.isEarthSide(id));
      return [
        [
          point.key,
          {
            key: point.key,
            system: point.system,
            volts,
            amps: Math.abs(point.amps[`${port.device}/load`] ?? drawn.amps),
            legs,
          },
        ],
      ];
    }),
  );
  const amps = Object.values(at).map((a) => a.amps);
  return {
    part: port.part,
    device: port.device,
    unmeasured: port.unmeasured,
    through: [...new Set([...port.shares.keys()].filter((id) => isOnWay(port, id)).map((id) => id.split('/')[0]!))],
    at,
    ...(amps.length > 0 ? { mostAmps: Math.max(...amps) } : {}),
  };
}

function wireFindings(
  harness: Harness,
  protections: Protections,
  mostThrough: (id: string) => { key?: string; amps: number },
  partsThrough: (id: string) => string[],
): WireFinding[] {
  const byId = new Map(devicesOf(harness).map((d) => [d.id, d]));
  return wiresOf(harness).map((wire): WireFinding => {
    const { key, amps } = mostThrough(wire.id);
    const protection = protections.of(wire.id);
    const carried = carries(wire);
    const ends = [wire.from, wire.to].map((e) => byId.get(e.device)!);
    const sources = ends.filter((d) => kindOfDevice(d).source !== undefined).length;
    // a short lead from a source to a fuse is bare by necessity, a cable between sources has none
    const isLead = sources > 0 && ends.some(protects) && (wire.length?.si ?? 0) <= firstFuseOf(harness);
    return {
      wire: wire.id,
      amps,
      ...(key === undefined ? {} : { at: key }),
      ...(carried === undefined ? {} : { carries: carried }),
      fuse: protection?.amps,
      fuses: protection?.fuses ?? [],
      side: protections.isEarthSide(wire.id) ? 'earth' : protection ? 'supply' : 'other',
      pumps: partsThrough(wire.id),
      isBare: protection?.isBare === true && sources < ends.length && !isLead,
    };
  });
}

/** How much a pump's flow goes up with its volts, at the pressure it works against. m3/s. */
function flowAt(job: Job, flow: PartFlow | undefined, volts: number, isHeld: boolean): number {
  const part = flow && job.parts[flow.id];
  // a controller below full duty makes up for what its wiring takes
  if (part?.kind !== 'pump' || (isHeld && part.drive === 'pwm')) return 0;
  const model = pumpModel(part);
  return model.ok ? flowAgainst(model.value.at(volts), flow!.outletPressure - flow!.inletPressure) : 0;
}

const MOST_TURNS = 5;

/** The sets of wires and fuses that would do, verified by solving the circuit with them. */
function proposals(
  job: Job,
  harness: Harness,
  feeds: PumpFeeds,
  pumps: readonly PumpCircuit[],
  protections: Protections,
  solution: RunSolution | undefined,
): Pick<WiringFindings, 'proposal' | 'safe' | 'impossible'> {
  const point = solution?.points[SIZED_AT];
  if (!point) return {};
  const draws = feeds.ports.flatMap((port): PumpDraw[] => {
    const pump = pumps.find((p) => p.part === port.part);
    const amps = pump?.at[SIZED_AT]?.amps ?? 0;
    return pump?.mostAmps === undefined ? [] : [{ port, amps, mostAmps: pump.mostAmps }];
  });
  if (draws.length === 0) return {};
  const safe = sizeHarness(harness, draws, protections, null);
  // without its length no wire's volts are known
  const isMeasured = feeds.ports.every((p) =>
    p.unmeasured.every((id) => {
      const wire = wiresOf(harness).find((w) => w.id === id);
      return wire?.length !== undefined && (wire.stands !== 'kept' || wire.area !== undefined);
    }),
  );
  if (!isMeasured) return { safe };
  const limit = mostDropOf(harness);
  let budget = limit;
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const sized = sizeHarness(harness, draws, protections, budget);
    if (!sized.ok) return { safe, impossible: sized };
    if (sized.changes.length === 0) return { safe };
    const now = voltsWith(harness, point, draws);
    const after = voltsWith(resized(harness, sized.changes), point, draws);
    const drop = (volts: ReadonlyMap<string, number>) =>
      Math.max(0, ...[...volts.values()].map((v) => feedAt(point.point).volts - v));
    const left = drop(after);
    // with better wire pumps draw more: what was reckoned with the old currents is tried with the new
    if (left > limit * (1 + 1e-6)) {
      budget *= (limit / left) * 0.999;
      continue;
    }
    const flow = (volts: ReadonlyMap<string, number>) =>
      [...volts].reduce(
        (sum, [part, v]) =>
          sum +
          flowAt(
            job,
            point.parts.find((p) => p.id === part),
            v,
            (point.duty ?? 1) < 1,
          ),
        0,
      );
    const steps: SizeStep[] = [];
    let before = now;
    for (const [i, change] of sized.changes.entries()) {
      const volts = voltsWith(resized(harness, sized.changes.slice(0, i + 1)), point, draws);
      steps.push({ change, drop: drop(volts), gained: flow(volts) - flow(before) });
      before = volts;
    }
    return { safe, proposal: { steps, dropBefore: drop(now), dropAfter: left, gained: flow(after) - flow(now) } };
  }
  return { safe };
}

/** V at each pump with other wires, pumps drawing in proportion to what they get. */
function voltsWith(harness: Harness, point: PointResult, draws: readonly PumpDraw[]): Map<string, number> {
  const drawn = drawnAt(point);
  const solved = solveHarness(harness, feedAt(point.point), drawn);
  if (!solved.ok) return new Map();
  const running = draws.filter((d) => drawn.has(d.port.part));
  return new Map(running.map(({ port }) => [port.part, across((place) => solved.value.volts.get(place), port)]));
}
