import type { Fuel } from '../fluids/fuel.ts';
import { vapourPressure } from '../fluids/vapour-pressure.ts';
import { flowRegime } from '../hydraulics/friction-factor.ts';
import { STANDARD_GRAVITY, type LinkState, type NetworkSolution } from '../hydraulics/network.ts';
import { pumpCurveAt, type PumpCurve } from '../hydraulics/pump-curve.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { settledValue } from '../job/value.ts';
import { pumpRows } from '../pumps/pump-rows.ts';
import { success, type Result } from '../result.ts';
import { boreOf, lengthOf } from './component-loss.ts';
import type { BuiltPump, RunNetwork, Span } from './build-network.ts';
import { deadHeads, type DeadHead } from './dead-head.ts';
import { operatingPoints, type OperatingPoint, type PointKey } from './operating-point.ts';
import type { RunFault } from './run-fault.ts';
import { controlledPressure, inflow, solvePoint, type SolvedPoint } from './solve-point.ts';
import { lastWhere } from '../numerics/last-where.ts';

/** What a component does at one operating point. SI; pressures gauge. */
export interface ComponentFlow {
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
  readonly components: readonly ComponentFlow[];
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

/** Solves a run that has no fault and no blocking need, for every operating point. @param fullDemand - m3/s. */
export function solveRun(job: Job, fuel: Fuel, fullDemand: number): Result<RunSolution, RunFault> {
  const points = {} as Record<PointKey, PointResult>;
  let start: NetworkSolution | undefined;
  const conditions = operatingPoints(job, fullDemand);
  let beyondTable = false;
  let extrapolated = false;
  let prime: RunSolution['prime'];
  let spans: readonly Span[] = [];
  for (const point of conditions) {
    const solved = solvePoint(job, fuel, point, start);
    if (!solved.ok) return solved;
    const { run, solution } = solved.value;
    start = solution;
    (points as Record<string, PointResult>)[point.key] = pointResult(job, fuel, point, solved.value);
    // a controller runs its pump at other voltages on purpose
    extrapolated ||= run.pumps.some((p) => p.curve.extrapolated && solved.value.duty === undefined);
    beyondTable ||= run.pumps.some((p) => solution.flows[p.link]! > p.curve.tableFlow * 1.0001);
    if (point.key === 'keyOn') prime = primeOf(job, run);
    if (point.key === 'idle') spans = run.spans;
  }
  return success({
    points,
    margin: pumpMargin(
      job,
      fuel,
      conditions.find((p) => p.key === 'fullLoadHot')!,
    ),
    spans,
    deadHead: deadHeads(job, conditions.find((p) => p.key === 'idle')!.voltage),
    prime,
    extrapolated,
    beyondTable,
  });
}

/** Flow at which a pump's curve gives a pressure, m3/s. */
const flowAgainst = (curve: PumpCurve, pressure: number): number =>
  lastWhere(0, 2 * curve.tableFlow, (flow) => curve.rise.value(flow) > pressure);

/** Share of its flow that a pump loses to its wiring at the pressure it works against. */
function wiringCost(job: Job, id: string, curve: PumpCurve, pressure: number, voltage: number): number | undefined {
  const component = job.run.supply.find((c) => c.id === id);
  if (component?.kind !== 'pump' || component.drive === 'pwm') return undefined;
  const full = pumpCurveAt(pumpRows(component), voltage);
  if (!full.ok) return undefined;
  const without = flowAgainst(full.value, pressure);
  return without > 0 ? 1 - flowAgainst(curve, pressure) / without : undefined;
}

/** What one solved point comes to, part by part. */
export function pointResult(job: Job, fuel: Fuel, point: OperatingPoint, solved: SolvedPoint): PointResult {
  const { run: built, solution, voltages } = solved;
  const { liquid } = built.network;
  const pressureAt = (node: string) => solution.pressures[node]!;
  const railPressure = Math.min(...built.consumer.nodes.map(pressureAt));
  const atmosphere = assumed(job.assumptions, 'atmosphere');
  const vapour = (temperature: number) =>
    vapourPressure(fuel, assumed(job.assumptions, 'reidVapourPressure'), temperature);
  // NPSH available: absolute pressure at the pump's inlet less vapour pressure, as head
  const head = (pump: BuiltPump) =>
    (atmosphere + pressureAt(pump.inlet) - vapour(point.temperature)) / (liquid.density * STANDARD_GRAVITY);
  let before = 0;
  const components = built.spans.map((span): ComponentFlow => {
    const pump = built.pumps.find((p) => p.id === span.component);
    const linkFlow = span.link ? solution.flows[span.link] : solution.flows[`${span.component}:0`];
    const flow =
      linkFlow ?? (span.component === built.consumer.id ? solved.delivered : span.inlet === span.outlet ? before : 0);
    if (span.link !== built.spill) before = flow;
    const velocity = span.bore ? Math.abs(flow) / ((Math.PI * span.bore ** 2) / 4) : undefined;
    const reynolds = velocity !== undefined ? (liquid.density * velocity * span.bore!) / liquid.viscosity : undefined;
    const rise = pressureAt(span.outlet) - pressureAt(span.inlet);
    return {
      id: span.component,
      inletPressure: pressureAt(span.inlet),
      outletPressure: pressureAt(span.outlet),
      flow,
      velocity,
      reynolds,
      regime: reynolds ? flowRegime(reynolds) : undefined,
      state: span.link ? solution.states[span.link]! : 'open',
      current: pump?.curve.current(rise),
      voltage: pump && (voltages.get(pump.id) ?? point.voltage),
      suctionMargin: pump && head(pump),
      wiringCost: pump && voltages.has(pump.id) ? wiringCost(job, pump.id, pump.curve, rise, point.voltage) : undefined,
    };
  });
  const flows = new Map(components.map((c) => [c.id, c]));
  const returnFlow = built.spill ? solution.flows[built.spill]! : 0;
  const lastGroup = Math.max(...built.pumps.map((p) => p.group));
  const worst = built.pumps.reduce((a, b) => (head(b) < head(a) ? b : a));
  const electric = built.pumps.map(({ id }) => flows.get(id)!);
  const together = (of: (c: ComponentFlow) => number | undefined) =>
    electric.some((c) => of(c) === undefined) ? undefined : electric.reduce((sum, c) => sum + of(c)!, 0);
  return {
    point,
    railPressure,
    injectorPressure: job.brief.direct ? railPressure : railPressure - point.manifold,
    delivered: solved.delivered,
    pumpFlow: groupFlow(built, solution, lastGroup),
    returnFlow,
    reliefFlow: built.pumps
      .filter((p) => p.group === lastGroup)
      .reduce((sum, p) => sum + (solution.flows[`${p.id}:relief`] ?? 0), 0),
    pumpCurrent: together((c) => c.current),
    pumpPower: together((c) => (c.current === undefined ? undefined : c.current * c.voltage!)),
    suctionMargin: head(worst),
    suctionPump: worst.id,
    engineVapourMargin: atmosphere + railPressure - vapour(point.engineTemperature),
    duty: solved.duty,
    pot: potFlow(job, built, solution, returnFlow),
    components,
    iterations: solution.iterations,
  };
}

const groupFlow = (run: RunNetwork, solution: NetworkSolution, group: number): number =>
  [...run.pumps, ...run.leaks].filter((p) => p.group === group).reduce((sum, p) => sum + solution.flows[p.link]!, 0);

function potFlow(job: Job, run: RunNetwork, solution: NetworkSolution, returnFlow: number): PotFlow | undefined {
  const pot = job.run.supply.find((c) => c.kind === 'swirlPot');
  if (!pot) return undefined;
  const lift = solution.flows[`${pot.id}:in`]!;
  const back = job.run.returnTo === 'pot' ? returnFlow : 0;
  const overflow = solution.flows[`${pot.id}:overflow`]!;
  return { id: pot.id, lift, back, overflow, draw: lift + back - overflow };
}

/** Volume from the pumps that feed the engine to the injectors, and how long they take to fill it against no pressure. */
function primeOf(job: Job, run: RunNetwork): RunSolution['prime'] {
  const { supply } = job.run;
  const last = supply.findLastIndex((c) => c.kind === 'pump');
  const consumer = supply.findIndex((c) => c.id === run.consumer.id);
  const volume = supply
    .slice(last + 1, consumer + 1)
    .reduce((sum, c) => sum + (Math.PI / 4) * (boreOf(c) ?? 0) ** 2 * lengthOf(c), 0);
  const group = Math.max(...run.pumps.map((p) => p.group));
  const flow = run.pumps.filter((p) => p.group === group).reduce((sum, p) => sum + flowAgainst(p.curve, 0), 0);
  return flow > 0 ? { time: volume / flow, volume } : undefined;
}

/**
 * What the run can deliver with the rail held at 95 % of its pressure (a carburettor: at the
 * least pressure it takes), against full load in the hot, low-voltage case.
 *
 * One solve: the consumer's demand is replaced by the held pressure, and what flows into it is what can be drawn.
 */
function pumpMargin(job: Job, fuel: Fuel, point: OperatingPoint): PumpMargin | undefined {
  const needed = point.demand;
  const wanted = wantedRailPressure(job, point);
  if (wanted === undefined || !(needed > 0)) return undefined;
  const heldPressure = leastCarburettorPressure(job) ?? wanted * HELD_SHARE;
  const solved = solvePoint(job, fuel, point, undefined, heldPressure);
  if (!solved.ok) return undefined;
  const available = inflow(solved.value);
  return { available, needed, heldPressure, margin: available / needed - 1, point: 'fullLoadHot' };
}

function leastCarburettorPressure(job: Job): number | undefined {
  const carburettor = job.run.supply.find((c) => c.kind === 'carburettor');
  return carburettor && settledValue(carburettor, 'leastPressure');
}

/**
 * Pressure that the rail ought to have at a point, Pa gauge: the brief's, no higher than the regulator or the pump
 * controller is set for, and with the manifold where both the engine and they follow it.
 */
export function wantedRailPressure(job: Job, point: OperatingPoint): number | undefined {
  const base = job.brief.railPressure?.si;
  if (base === undefined) return undefined;
  const controlled = controlledPressure(job, point);
  if (controlled !== undefined) {
    const followed = controlled - controlledPressure(job, { ...point, manifold: 0 })!;
    return Math.max(0, Math.min(base + followed, controlled));
  }
  const regulator = job.run.supply.find((c) => c.kind === 'regulator');
  const set = regulator?.kind === 'regulator' ? regulator.setPressure?.si : undefined;
  const followed = regulator?.kind === 'regulator' && regulator.referenced ? point.manifold : 0;
  return Math.max(0, Math.min(base, set ?? base) + followed);
}
