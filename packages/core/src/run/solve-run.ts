import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import { vapourPressure } from '../fluids/vapour-pressure.ts';
import { flowRegime } from '../hydraulics/friction-factor.ts';
import { STANDARD_GRAVITY, type LinkState, type Network } from '../hydraulics/network.ts';
import type { PumpCurve } from '../hydraulics/pump-curve.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { settledValue } from '../job/value.ts';
import { lastWhere } from '../numerics/last-where.ts';
import { isRegulator, kindOf, type Part } from '../parts/kinds.ts';
import type { Moment } from '../parts/lower.ts';
import { pumpModel } from '../pumps/pump-model.ts';
import { success, type Result } from '../result.ts';
import type { Circuits } from './circuits.ts';
import { compileRun, networkOfRun, type CompiledRun } from './compile-run.ts';
import { deadHeads, type DeadHead } from './dead-head.ts';
import { operatingPoints, type OperatingPoint, type PointKey } from './operating-point.ts';
import { flowOut, inflow, PreparedRun } from './prepared-run.ts';
import type { RunFault } from './run-fault.ts';
import { controlledPressure, solvePoint, type SolvedPoint } from './solve-point.ts';
import { spansOf, type Span } from './spans.ts';

/** What of a job decides how its run is solved. */
export type RunInputs = Pick<Job, 'parts' | 'joints' | 'brief' | 'survey' | 'hanger' | 'assumptions' | 'points'>;

/** A joint at one operating point: pressure there, and what passes the way that fuel takes. Pa gauge, m3/s. */
export interface JointFlow {
  readonly pressure: number;
  readonly flow: number;
}

/** What a part does at one operating point. SI; pressures gauge. */
export interface PartFlow {
  readonly id: string;
  readonly inletPressure: number;
  readonly outletPressure: number;
  /** m3/s through it; for a bypass regulator what it spills, for a swirl pot what runs over. */
  readonly flow: number;
  /** m/s in its bore. */
  readonly velocity?: number;
  readonly reynolds?: number;
  readonly regime?: 'laminar' | 'transition' | 'turbulent';
  readonly state: LinkState;
  readonly current?: number; // A, pumps
  readonly voltage?: number; // V, pumps
  /** Net positive suction head, m of fuel, pumps. */
  readonly suctionMargin?: number;
  /** Share of a pump's flow, at the pressure it works against, that its wiring costs; absent where that is not reckoned. */
  readonly wiringCost?: number;
}

/** A swirl pot at one operating point. m3/s. */
export interface PotFlow {
  readonly id: string;
  readonly lift: number;
  /** What the pumps behind it draw. */
  readonly draw: number;
  /** Comes back from the regulator. */
  readonly back: number;
  /** Runs over to the tank; negative: the pot runs down by that. */
  readonly overflow: number;
}

/** The whole run at one operating point. */
export interface PointResult {
  readonly point: OperatingPoint;
  /** Lowest pressure at any injector, or at the carburettor. Pa gauge. */
  readonly railPressure: number;
  /** Rail less manifold: what the injectors see; the feed of a direct-injection pump sees no manifold. Pa. */
  readonly injectorPressure: number;
  /** m3/s that reach the engine; less than the point's demand where the run cannot bring it. */
  readonly delivered: number;
  readonly pumpFlow: number; // m3/s of the pumps that feed the engine, together, less what runs back through one that stands
  readonly returnFlow: number; // m3/s
  readonly reliefFlow: number; // m3/s through the relief valves of the pumps that feed the engine
  readonly pumpCurrent?: number; // A, all pumps together
  /** Electrical power of all pumps, W. */
  readonly pumpPower?: number;
  /** Net positive suction head at the pump that has least of it, m of fuel. */
  readonly suctionMargin: number;
  /** Which pump that is. */
  readonly suctionPump: string;
  /** Absolute pressure in the rail less the fuel's vapour pressure there, Pa: below nothing the rail fills with vapour. */
  readonly engineVapourMargin: number;
  /** Of the pump controller, 0 to 1. */
  readonly duty?: number;
  readonly pot?: PotFlow;
  readonly parts: readonly PartFlow[];
  /** By id. */
  readonly joints: Readonly<Record<string, JointFlow>>;
  /** What the rail, or the carburettor, ought to have here; absent while the brief does not say. Pa gauge. */
  readonly wanted?: number;
  readonly iterations: number;
}

export interface PumpMargin {
  /** m3/s that the run can deliver into the rail while it holds `heldPressure`. */
  readonly available: number;
  readonly needed: number; // m3/s
  readonly heldPressure: number; // Pa gauge
  readonly margin: number; // available / needed − 1
  readonly point: PointKey;
}

export interface RunSolution {
  /** By key: every usual point, and the fitter's own. */
  readonly points: Readonly<Record<PointKey, PointResult>> & Readonly<Record<string, PointResult | undefined>>;
  readonly margin?: PumpMargin;
  readonly spans: readonly Span[];
  readonly deadHead: DeadHead;
  /** Pump outlet to rail, dry: how long the pumps that feed the engine run before fuel is there. s and m3. */
  readonly prime?: { readonly time: number; readonly volume: number };
  /** A pump was run at a voltage outside its tables. */
  readonly extrapolated: boolean;
  /** Flow at some point lies beyond the pump's table. */
  readonly beyondTable: boolean;
}

/** Results at every point, the fitter's own after the usual ones. */
export const resultsOf = ({ points }: Pick<RunSolution, 'points'>): PointResult[] =>
  Object.values(points as Record<string, PointResult>);

/** The result at a point; at full load when there is none by that key. */
export const resultAt = ({ points }: Pick<RunSolution, 'points'>, key: string): PointResult =>
  points[key] ?? points.fullLoad;

export const HELD_SHARE = 0.95; // the rail counts as held at 95 % of its pressure, common practice

/**
 * Solves a run that has no fault and no blocking need, for every operating point.
 *
 * @param fullDemand - m3/s.
 * @param prepared - the job's run, where it has been compiled already.
 */
export function solveRun(
  job: RunInputs,
  fuel: Fuel,
  fullDemand: number,
  prepared: PreparedRun = new PreparedRun(compileRun(job)),
): Result<RunSolution, RunFault> {
  const points = {} as Record<PointKey, PointResult>;
  const conditions = operatingPoints(job, fullDemand);
  const { run } = prepared;
  let beyondTable = false;
  let extrapolated = false;
  let prime: RunSolution['prime'];
  for (const point of conditions) {
    const solved = solvePoint(prepared, job, fuel, point);
    if (!solved.ok) return solved;
    (points as Record<string, PointResult>)[point.key] = pointResult(job, fuel, point, solved.value);
    if (point.key === 'keyOn') prime = primeOf(run, solved.value.moment);
    for (const pump of run.pumps) {
      const curve = pump.curve(solved.value.moment);
      if (!curve) continue;
      // a controller runs its pump at other voltages on purpose
      extrapolated ||= curve.extrapolated && solved.value.duty === undefined;
      beyondTable ||= solved.value.flows[pump.linkIndex]! > curve.tableFlow * 1.0001;
    }
  }
  return success({
    points,
    margin: pumpMargin(
      prepared,
      job,
      fuel,
      conditions.find((p) => p.key === 'fullLoadHot')!,
    ),
    spans: spansOf(run.circuits),
    deadHead: deadHeads(run.circuits, conditions.find((p) => p.key === 'idle')!.voltage),
    prime,
    extrapolated,
    beyondTable,
  });
}

/** Flow at which a pump's curve gives a pressure, m3/s. */
const flowAgainst = (curve: PumpCurve, pressure: number): number =>
  lastWhere(0, 2 * curve.tableFlow, (flow) => curve.rise.value(flow) > pressure);

/** Share of its flow that a pump loses to its wiring at the pressure it works against. */
function wiringCost(part: Part, curve: PumpCurve, pressure: number, voltage: number): number | undefined {
  if (part.kind !== 'pump' || part.drive === 'pwm') return undefined;
  const full = pumpModel(part);
  if (!full.ok) return undefined;
  const without = flowAgainst(full.value.at(voltage), pressure);
  return without > 0 ? 1 - flowAgainst(curve, pressure) / without : undefined;
}

/** What one solved point comes to, part by part. */
export function pointResult(job: RunInputs, fuel: Fuel, point: OperatingPoint, solved: SolvedPoint): PointResult {
  const { run, voltages, pressures, flows, states, moment } = solved;
  const { circuits } = run;
  const { liquid } = moment;
  const railPressure = Math.min(...run.draws.map((d) => pressures[d.node]!));
  const atmosphere = assumed(job.assumptions, 'atmosphere');
  const vapour = (temperature: number) =>
    vapourPressure(fuel, assumed(job.assumptions, 'reidVapourPressure'), temperature);
  // NPSH available: absolute pressure at the pump's inlet less vapour pressure, as head
  const head = (inlet: number) =>
    (atmosphere + pressures[inlet]! - vapour(point.temperature)) / (liquid.density * STANDARD_GRAVITY);
  const parts = run.parts.map((compiled): PartFlow => {
    const part = circuits.part(compiled.id);
    const pump = run.pumps.find((p) => p.id === compiled.id);
    const curve = pump?.curve(moment);
    const flow = flowOfPart(solved, compiled.id, compiled.through, compiled.lowered.tells);
    const { bore } = compiled.lowered;
    const velocity = bore ? Math.abs(flow) / ((Math.PI * bore ** 2) / 4) : undefined;
    const reynolds = velocity !== undefined ? (liquid.density * velocity * bore!) / liquid.viscosity : undefined;
    const [inletPressure, outletPressure] = [pressures[compiled.inlet]!, pressures[compiled.outlet]!];
    const rise = outletPressure - inletPressure;
    return {
      id: compiled.id,
      inletPressure,
      outletPressure,
      flow,
      velocity,
      reynolds,
      regime: reynolds ? flowRegime(reynolds) : undefined,
      state: compiled.through === undefined ? 'open' : states[compiled.through]!,
      current: curve?.current(rise),
      voltage: curve && part.kind === 'pump' ? (voltages.get(part.id) ?? point.voltage) : undefined,
      suctionMargin: pump && curve && head(pump.inlet),
      wiringCost: curve && voltages.has(part.id) ? wiringCost(part, curve, rise, point.voltage) : undefined,
    };
  });
  const byId = new Map(parts.map((c) => [c.id, c]));
  const running = run.pumps.filter((p) => p.curve(moment) !== undefined);
  const feeding = run.pumps.filter((p) => p.feeds);
  const spilled = [...run.spills.values()].reduce((sum, link) => sum + flows[link]!, 0);
  const least = [...running].sort((a, b) => head(a.inlet) - head(b.inlet))[0] ?? run.pumps[0]!;
  const electric = running.flatMap(({ id }) => (circuits.part(id).kind === 'pump' ? [byId.get(id)!] : []));
  const together = (of: (c: PartFlow) => number | undefined) =>
    electric.some((c) => of(c) === undefined) ? undefined : electric.reduce((sum, c) => sum + of(c)!, 0);
  const relief = new Set(feeding.map((p) => `${p.id}:relief`));
  return {
    point,
    railPressure,
    injectorPressure: job.brief.direct ? railPressure : railPressure - point.manifold,
    delivered: solved.delivered,
    pumpFlow: feeding.reduce((sum, p) => sum + flows[p.linkIndex]!, 0),
    returnFlow: spilled,
    reliefFlow: run.links.reduce((sum, l, i) => sum + (relief.has(l.id) ? flows[i]! : 0), 0),
    pumpCurrent: together((c) => c.current),
    pumpPower: together((c) => (c.current === undefined ? undefined : c.current * c.voltage!)),
    suctionMargin: head(least.inlet),
    suctionPump: least.id,
    engineVapourMargin: atmosphere + railPressure - vapour(point.engineTemperature),
    duty: solved.duty,
    pot: potFlow(solved),
    parts,
    joints: Object.fromEntries(
      circuits.flows.flatMap((f): [string, JointFlow][] => {
        const node = run.joints.get(f.joint);
        return node === undefined
          ? []
          : [[f.joint, { pressure: pressures[node]!, flow: flowOut(solved, f.from, f.fromPort) }]];
      }),
    ),
    wanted: wantedRailPressure(job, circuits, point),
    iterations: solved.iterations,
  };
}

/** By the link that carries it, else what one port of it lets go, else what comes in. */
function flowOfPart(solved: SolvedPoint, id: string, through: number | undefined, tells: string | undefined): number {
  if (through !== undefined) return solved.flows[through]!;
  if (tells !== undefined) return flowOut(solved, id, tells);
  const { circuits } = solved.run;
  if (kindOf(circuits.part(id)).isVessel) return circuits.outOf(id).reduce((sum, f) => sum + flowOut(solved, id, f.fromPort), 0); // prettier-ignore
  return circuits.into(id).reduce((sum, f) => sum - flowOut(solved, id, f.toPort), 0);
}

function potFlow(solved: SolvedPoint): PotFlow | undefined {
  const [id] = solved.run.circuits.pots;
  if (id === undefined) return undefined;
  const out = (port: string) => flowOut(solved, id, port);
  return { id, lift: -out('lift'), back: -out('return'), overflow: out('overflow'), draw: out('feed') };
}

/** Volume from the pumps that feed the engine to the injectors, and how long they take to fill it against no pressure. */
function primeOf({ circuits, pumps }: CompiledRun, moment: Moment): RunSolution['prime'] {
  const behind = new Set(circuits.feedPumps.flatMap((id) => circuits.downstream(id)));
  const before = new Set(circuits.consumers.flatMap((id) => [id, ...circuits.upstream(id)]));
  const volume = circuits.parts
    .filter((p) => behind.has(p.id) && before.has(p.id))
    .reduce((sum, p) => {
      const kind = kindOf(p);
      return sum + (Math.PI / 4) * (kind.bore?.(p) ?? 0) ** 2 * (kind.length?.(p) ?? 0);
    }, 0);
  const flow = pumps
    .filter((p) => p.feeds)
    .reduce((sum, p) => {
      const curve = p.curve(moment);
      return sum + (curve ? flowAgainst(curve, 0) : 0);
    }, 0);
  return flow > 0 ? { time: volume / flow, volume } : undefined;
}

/**
 * What the run can deliver with the rail held at 95 % of its pressure (a carburettor: at the
 * least pressure it takes), against full load in the hot, low-voltage case.
 *
 * One solve: the consumer's demand is replaced by the held pressure, and what flows into it is what can be drawn.
 */
function pumpMargin(prepared: PreparedRun, job: RunInputs, fuel: Fuel, point: OperatingPoint): PumpMargin | undefined {
  const needed = point.demand;
  const { circuits } = prepared.run;
  const wanted = wantedRailPressure(job, circuits, point);
  if (wanted === undefined || !(needed > 0)) return undefined;
  const carburettor = circuits.parts.find((c) => c.kind === 'carburettor');
  const heldPressure = carburettor ? settledValue(carburettor, 'leastPressure') : wanted * HELD_SHARE;
  const solved = solvePoint(prepared, job, fuel, point, heldPressure);
  if (!solved.ok) return undefined;
  const available = inflow(solved.value);
  return { available, needed, heldPressure, margin: available / needed - 1, point: 'fullLoadHot' };
}

/**
 * Pressure that the rail ought to have at a point, Pa gauge: the brief's, no higher than the regulator or the pump
 * controller is set for, and with the manifold where both the engine and they follow it.
 */
function wantedRailPressure(
  { brief }: Pick<Job, 'brief'>,
  circuits: Circuits,
  point: OperatingPoint,
): number | undefined {
  const base = brief.railPressure?.si;
  if (base === undefined) return undefined;
  const controlled = controlledPressure(circuits.parts, point);
  if (controlled !== undefined) {
    const followed = controlled - controlledPressure(circuits.parts, { ...point, manifold: 0 })!;
    return Math.max(0, Math.min(base + followed, controlled));
  }
  const regulator = circuits.parts.find(isRegulator);
  const followed = regulator?.referenced ? point.manifold : 0;
  return Math.max(0, Math.min(base, regulator?.setPressure?.si ?? base) + followed);
}

/**
 * The network behind a result: pumps at the voltage that wiring and controller leave them, the engine drawing what it got.
 * For other engines to check.
 */
export function networkAt(job: RunInputs, fuel: Fuel, { point, parts, delivered }: PointResult): Network {
  const run = compileRun(job);
  const voltages = new Map(parts.flatMap((c) => (c.voltage === undefined ? [] : [[c.id, c.voltage] as const])));
  const liquid = fuelLiquid(fuel, point.temperature);
  const moment = { point, liquid, voltageAt: (id: string) => voltages.get(id) ?? point.voltage };
  const shares = new Map(run.draws.map((d) => [d.node, d.share]));
  return networkOfRun(run, moment, liquid, (node) => (shares.has(node) ? delivered * shares.get(node)! : undefined));
}
