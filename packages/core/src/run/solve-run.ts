import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import { petrolVapourPressure } from '../fluids/vapour-pressure.ts';
import { flowRegime } from '../hydraulics/friction-factor.ts';
import { STANDARD_GRAVITY, type LinkState, type NetworkSolution } from '../hydraulics/network.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { settledValue } from '../job/value.ts';
import { failure, success, type Result } from '../result.ts';
import { buildNetwork, type RunNetwork, type Span } from './build-network.ts';
import { operatingPoints, pointNames, type OperatingPoint, type PointKey } from './operating-point.ts';
import { pumpRows, type RunFault } from './run-fault.ts';
import { pumpWiring } from './pump-wiring.ts';
import { pumpCurveAt, type PumpCurve } from '../hydraulics/pump-curve.ts';

/** What a component does at one operating point. SI; pressures gauge. */
export interface ComponentFlow {
  readonly id: string;
  readonly inletPressure: number;
  readonly outletPressure: number;
  /** m3/s through it; for a bypass regulator what it spills. */
  readonly flow: number;
  /** m/s in its bore. */
  readonly velocity?: number;
  readonly reynolds?: number;
  readonly regime?: 'laminar' | 'transition' | 'turbulent';
  readonly state: LinkState;
  readonly current?: number; // A, pumps
  readonly voltage?: number; // V, pumps
  /** Share of a pump's flow, at the pressure it works against, that its wiring costs; absent where that is not reckoned. */
  readonly wiringCost?: number;
}

/** The whole run at one operating point. */
export interface PointResult {
  readonly point: OperatingPoint;
  /** Lowest pressure at any injector, or at the carburettor. Pa gauge. */
  readonly railPressure: number;
  /** Rail less manifold: what the injectors see. Pa. */
  readonly injectorPressure: number;
  readonly pumpFlow: number; // m3/s through the first pump
  readonly returnFlow: number; // m3/s
  readonly pumpCurrent?: number; // A, first pump
  /** Net positive suction head at the first pump, m of fuel. */
  readonly suctionMargin: number;
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
  readonly points: Readonly<Record<PointKey, PointResult>>;
  readonly margin?: PumpMargin;
  readonly spans: readonly Span[];
  /** Highest pressure the first pump can make, at no flow: everything upstream of a regulator must survive it. Pa. */
  readonly deadHead: { readonly pressure: number; readonly beyondTable: boolean; readonly relieved: boolean };
  /** A pump was run at a voltage outside its tables. */
  readonly extrapolated: boolean;
  /** Flow at some point lies beyond the pump's table. */
  readonly beyondTable: boolean;
}

export const HELD_SHARE = 0.95; // the rail counts as held at 95 % of its pressure, common practice

/** Solves a run that has no fault and no blocking need, for every operating point. @param fullDemand - m3/s. */
export function solveRun(job: Job, fuel: Fuel, fullDemand: number): Result<RunSolution, RunFault> {
  const points = {} as Record<PointKey, PointResult>;
  let start: NetworkSolution | undefined;
  const built: RunNetwork[] = [];
  const conditions = operatingPoints(job, fullDemand);
  let beyondTable = false;
  let extrapolated = false;
  for (const point of conditions) {
    const settled = solveAtPoint(job, fuel, point, start);
    if (!settled.ok) return settled;
    const { run, solution, voltages } = settled.value;
    built.push(run);
    start = solution;
    points[point.key] = pointResult(job, fuel, run, point, solution, voltages);
    extrapolated ||= run.pumps.some((p) => p.curve.extrapolated);
    beyondTable ||= run.pumps.some((p) => solution.flows[p.link]! > p.curve.tableFlow * 1.0001);
  }
  const idle = built[0]!; // at the running voltage
  const pump = idle.pumps[0]!;
  const component = job.run.supply.find((c) => c.id === pump.id);
  const relief = component?.kind === 'pump' ? component.reliefPressure?.si : undefined;
  return success({
    points,
    margin: pumpMargin(
      job,
      fuel,
      conditions.find((p) => p.key === 'fullLoadHot')!,
    ),
    spans: idle.spans,
    deadHead: {
      pressure: Math.min(pump.curve.deadHead, relief ?? Infinity),
      beyondTable: pump.curve.deadHeadBeyondTable && relief === undefined,
      relieved: relief !== undefined,
    },
    extrapolated,
    beyondTable,
  });
}

const SETTLED = 1e-4; // V between two turns
const MOST_TURNS = 40;
const LEAST_VOLTAGE = 4; // V: below it no pump table says anything

/**
 * One operating point with the pumps' wiring: what a pump draws pulls its own voltage down, which changes what it draws.
 * Network and voltages are solved in turn until they agree.
 */
function solveAtPoint(
  job: Job,
  fuel: Fuel,
  point: OperatingPoint,
  start: NetworkSolution | undefined,
  hold?: number,
): Result<{ run: RunNetwork; solution: NetworkSolution; voltages: ReadonlyMap<string, number> }, RunFault> {
  const liquid = fuelLiquid(fuel, point.temperature);
  const wired = job.run.supply.flatMap((c) => {
    const ohms = c.kind === 'pump' ? pumpWiring(c) : undefined;
    return ohms === undefined ? [] : [{ id: c.id, ohms }];
  });
  const voltages = new Map(wired.map(({ id }) => [id, point.voltage]));
  let from = start;
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const run = buildNetwork(job, liquid, point, hold, voltages);
    const solved = solveNetwork(run.network, from);
    if (!solved.ok) return failure({ code: 'unsolved', fault: solved.fault, point: pointNames[point.key] });
    from = solved.value;
    let moved = 0;
    for (const { id, ohms } of wired) {
      const pump = run.pumps.find((p) => p.id === id)!;
      const current = pump.curve.current(pump.curve.rise.value(solved.value.flows[pump.link]!)) ?? 0;
      const voltage = voltages.get(id)!;
      // a pump takes about as much more current as voltage: the step is damped by that
      const step = (point.voltage - current * ohms - voltage) / (1 + (current * ohms) / voltage);
      if (!(voltage + step > LEAST_VOLTAGE)) return failure({ code: 'starvedOfVoltage', component: id, ohms });
      voltages.set(id, voltage + step);
      moved = Math.max(moved, Math.abs(step));
    }
    if (moved < SETTLED) return success({ run, solution: solved.value, voltages });
  }
  return failure({ code: 'starvedOfVoltage', component: wired[0]!.id, ohms: wired[0]!.ohms });
}

/** Flow at which a pump's curve gives a pressure, m3/s, by bisection. */
function flowAgainst(curve: PumpCurve, pressure: number): number {
  let [low, high] = [0, 2 * curve.tableFlow];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (curve.rise.value(middle) > pressure) low = middle;
    else high = middle;
  }
  return low;
}

/** Share of its flow that a pump loses to its wiring at the pressure it works against. */
function wiringCost(job: Job, id: string, curve: PumpCurve, pressure: number, voltage: number): number | undefined {
  const component = job.run.supply.find((c) => c.id === id);
  const full = component?.kind === 'pump' ? pumpCurveAt(pumpRows(component), voltage) : undefined;
  if (!full?.ok) return undefined;
  const without = flowAgainst(full.value, pressure);
  return without > 0 ? 1 - flowAgainst(curve, pressure) / without : undefined;
}

function pointResult(
  job: Job,
  fuel: Fuel,
  built: RunNetwork,
  point: OperatingPoint,
  solution: NetworkSolution,
  voltages: ReadonlyMap<string, number>,
): PointResult {
  const { liquid } = built.network;
  const pressureAt = (node: string) => solution.pressures[node]!;
  const railPressure = Math.min(...built.consumer.nodes.map(pressureAt));
  const components = built.spans.map((span): ComponentFlow => {
    const pump = built.pumps.find((p) => p.id === span.component);
    const rail = span.link === undefined && span.component === built.consumer.id;
    const flow = span.link
      ? solution.flows[span.link]!
      : rail
        ? (solution.flows[`${span.component}:0`] ?? point.demand)
        : 0;
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
      wiringCost: pump && voltages.has(pump.id) ? wiringCost(job, pump.id, pump.curve, rise, point.voltage) : undefined,
    };
  });
  const pump = built.pumps[0]!;
  const flows = components.find((c) => c.id === pump.id)!;
  const spill = built.spans.find((s) => s.link && s.inlet === s.outlet && s.line === 'supply');
  return {
    point,
    railPressure,
    injectorPressure: railPressure - point.manifold,
    pumpFlow: solution.flows[pump.link]!,
    returnFlow: spill?.link ? solution.flows[spill.link]! : 0,
    pumpCurrent: flows.current,
    suctionMargin: suctionMargin(job, fuel, pressureAt(built.pumpInlet), point, liquid.density),
    components,
    iterations: solution.iterations,
  };
}

/** NPSH available: absolute pressure at the pump's inlet less vapour pressure, as head. Vapour pressure of diesel is nil. */
function suctionMargin(job: Job, fuel: Fuel, inletPressure: number, point: OperatingPoint, density: number): number {
  const vapour =
    fuel.family === 'diesel'
      ? 0
      : petrolVapourPressure(assumed(job.assumptions, 'reidVapourPressure'), point.temperature);
  return (assumed(job.assumptions, 'atmosphere') + inletPressure - vapour) / (density * STANDARD_GRAVITY);
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
  const solved = solveAtPoint(job, fuel, point, undefined, heldPressure);
  if (!solved.ok) return undefined;
  const { run: built, solution } = solved.value;
  const held = built.consumer.nodes[0]!;
  const available = built.network.links.reduce(
    (sum, link) =>
      sum + (link.to === held ? solution.flows[link.id]! : 0) - (link.from === held ? solution.flows[link.id]! : 0),
    0,
  );
  return { available, needed, heldPressure, margin: available / needed - 1, point: point.key };
}

function leastCarburettorPressure(job: Job): number | undefined {
  const carburettor = job.run.supply.find((c) => c.kind === 'carburettor');
  return carburettor && settledValue(carburettor, 'leastPressure');
}

/**
 * Pressure that the rail ought to have at a point, Pa gauge: the brief's, no higher than the regulator is set for,
 * and with the manifold where both the engine and the regulator follow it.
 */
export function wantedRailPressure(job: Job, point: OperatingPoint): number | undefined {
  const base = job.brief.railPressure?.si;
  if (base === undefined) return undefined;
  const regulator = job.run.supply.find((c) => c.kind === 'regulator');
  const set = regulator?.kind === 'regulator' ? regulator.setPressure?.si : undefined;
  const followed = regulator?.kind === 'regulator' && regulator.referenced ? point.manifold : 0;
  return Math.max(0, Math.min(base, set ?? base) + followed);
}
