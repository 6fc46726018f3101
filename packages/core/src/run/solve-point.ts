import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import type { NetworkSolution } from '../hydraulics/network.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import type { ComponentOf } from '../job/component.ts';
import type { Job } from '../job/job.ts';
import { settledValue } from '../job/value.ts';
import { pumpRuns } from '../pumps/staging.ts';
import { failure, success, type Result } from '../result.ts';
import { buildNetwork, type RunNetwork } from './build-network.ts';
import type { OperatingPoint } from './operating-point.ts';
import { pumpWiring } from './pump-wiring.ts';
import type { RunFault } from './run-fault.ts';

/** A run solved at one point, with what its pumps get of the voltage and what the engine gets of its demand. */
export interface SolvedPoint {
  readonly run: RunNetwork;
  readonly solution: NetworkSolution;
  /** V at each pump whose wiring or controller is reckoned. */
  readonly voltages: ReadonlyMap<string, number>;
  /** Of the pump controller, 0 to 1. */
  readonly duty?: number;
  /** m3/s that reach the engine: its demand, or what little the run can still bring. */
  readonly delivered: number;
}

const SETTLED = 1e-4; // V between two turns
const MOST_TURNS = 40;
const LEAST_VOLTAGE = 4; // V: a pump on full voltage that gets less does not run
const LEAST_CONTROLLED = 0.5; // V, of a pump under a controller
const HELD = 20; // Pa: as close as a controller is brought to its pressure

/**
 * One operating point, with the pumps' wiring and their controller.
 *
 * Where the run cannot bring the demand at any pressure the injectors could use, the engine takes what comes: the rail
 * then stands at manifold pressure, and `delivered` says how much arrives.
 *
 * @param hold - Pa gauge at the consumer instead of its demand.
 */
export function solvePoint(
  job: Job,
  fuel: Fuel,
  point: OperatingPoint,
  start?: NetworkSolution,
  hold?: number,
): Result<SolvedPoint, RunFault> {
  const solved = solveControlled(job, fuel, point, start, hold);
  if (!solved.ok || hold !== undefined) return solved;
  const { run, solution } = solved.value;
  const floor = job.brief.direct || job.run.supply.some((c) => c.kind === 'carburettor') ? 0 : point.manifold;
  const lowest = Math.min(...run.consumer.nodes.map((n) => solution.pressures[n]!));
  if (point.demand === 0 || lowest >= floor) return solved;
  const starved = solveControlled(job, fuel, point, undefined, floor);
  if (starved.ok && inflow(starved.value) > 0) return success({ ...starved.value, delivered: inflow(starved.value) });
  const nothing = solveControlled(job, fuel, { ...point, demand: 0 }, undefined, undefined);
  return nothing.ok ? success({ ...nothing.value, delivered: 0 }) : nothing;
}

/** What flows into the held consumer, m3/s. */
export function inflow({ run, solution }: Pick<SolvedPoint, 'run' | 'solution'>): number {
  const held = run.consumer.nodes[0]!;
  return run.network.links.reduce(
    (sum, link) =>
      sum + (link.to === held ? solution.flows[link.id]! : 0) - (link.from === held ? solution.flows[link.id]! : 0),
    0,
  );
}

type Pump = ComponentOf<'pump'>;

const runningPumps = (job: Job, point: OperatingPoint): Pump[] =>
  job.run.supply.filter((c): c is Pump => c.kind === 'pump' && pumpRuns(c, point));

/** The pressure that a controller holds at its sensor at a point, Pa gauge; undefined without a controller. */
export function controlledPressure(job: Job, point: OperatingPoint): number | undefined {
  const pump = job.run.supply.find((c): c is Pump => c.kind === 'pump' && c.drive === 'pwm');
  return pump?.targetPressure && pump.targetPressure.si + (pump.targetReferenced ? point.manifold : 0);
}

/**
 * A point with its controller. What the controller sets is the voltage at the pump: that is sought until the sensor reads
 * the pressure to be held, by false position (Illinois) on its square, with which a pump's pressure goes; the duty
 * follows from what the wiring leaves.
 */
function solveControlled(
  job: Job,
  fuel: Fuel,
  point: OperatingPoint,
  start: NetworkSolution | undefined,
  hold: number | undefined,
): Result<SolvedPoint, RunFault> {
  const target = controlledPressure(job, point);
  const controlled = runningPumps(job, point).find((p) => p.drive === 'pwm');
  const at = (voltage: number, from?: NetworkSolution) => solveWired(job, fuel, point, from, hold, { voltage });
  const atDuty = (share: number) => solveWired(job, fuel, point, start, hold, { share });
  if (target === undefined || !controlled) return solveWired(job, fuel, point, start, hold, { share: 1 });
  // asked for all that the run can do, a controller gives full duty
  if (hold !== undefined) return atDuty(1);
  const most = at(point.voltage, start);
  if (!most.ok || most.value.run.sensor === undefined) return most;
  const over = ({ run, solution }: SolvedPoint) => solution.pressures[run.sensor!]! - target;
  const full = () => {
    const solved = atDuty(1);
    return solved.ok ? success({ ...solved.value, duty: 1 }) : solved;
  };
  let found = most.value;
  if (over(found) <= 0) return full();
  let [low, atLow] = [0, -target];
  let [high, atHigh] = [point.voltage ** 2, over(found)];
  let side = 0;
  let voltage = point.voltage;
  for (let turn = 0; turn < MOST_TURNS && Math.abs(over(found)) > HELD; turn++) {
    const square = low + ((high - low) * -atLow) / (atHigh - atLow);
    voltage = Math.sqrt(square);
    const solved = at(voltage, found.solution);
    if (!solved.ok) return solved;
    found = solved.value;
    const off = over(found);
    if (off > 0) {
      [high, atHigh] = [square, off];
      if (side > 0) atLow /= 2;
    } else {
      [low, atLow] = [square, off];
      if (side < 0) atHigh /= 2;
    }
    side = Math.sign(off);
  }
  const ohms = pumpWiring(controlled) ?? 0;
  const duty = voltage / (point.voltage - currentOf(found, controlled.id) * ohms);
  if (!(duty > 0 && duty <= 1)) return full();
  const least = settledValue(controlled, 'leastDuty');
  if (duty >= least) return success({ ...found, duty });
  const slowest = atDuty(least);
  return slowest.ok ? success({ ...slowest.value, duty: least }) : slowest;
}

const currentOf = ({ run, solution }: Pick<SolvedPoint, 'run' | 'solution'>, id: string): number => {
  const pump = run.pumps.find((p) => p.id === id)!;
  return pump.curve.current(pump.curve.rise.value(solution.flows[pump.link]!)) ?? 0;
};

/**
 * What a pump draws pulls its own voltage down, which changes what it draws: network and voltages are solved in turn
 * until they agree.
 *
 * @param control - of pumps under a controller: the voltage they get, or their share of what their wiring leaves.
 */
function solveWired(
  job: Job,
  fuel: Fuel,
  point: OperatingPoint,
  start: NetworkSolution | undefined,
  hold: number | undefined,
  control: { voltage: number } | { share: number },
): Result<SolvedPoint, RunFault> {
  const liquid = fuelLiquid(fuel, point.temperature);
  const pumps = runningPumps(job, point);
  const voltages = new Map<string, number>();
  if ('voltage' in control) for (const p of pumps) if (p.drive === 'pwm') voltages.set(p.id, control.voltage);
  const wired = pumps.flatMap((pump) => {
    const share = pump.drive === 'pwm' && 'share' in control ? control.share : 1;
    const ohms = pumpWiring(pump) ?? 0;
    return voltages.has(pump.id) || (ohms === 0 && share === 1) ? [] : [{ id: pump.id, ohms, share }];
  });
  for (const { id, share } of wired) voltages.set(id, point.voltage * share);
  let from = start;
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const run = buildNetwork(job, liquid, point, { hold, voltages });
    let solved = solveNetwork(run.network, from);
    // the valves of a like point can lead astray: a relief that was open, a check valve that shut with it
    if (!solved.ok && from) solved = solveNetwork(run.network);
    if (!solved.ok) return failure({ code: 'unsolved', fault: solved.fault, point: point.name });
    from = solved.value;
    let moved = 0;
    for (const { id, ohms, share } of wired) {
      const current = currentOf({ run, solution: solved.value }, id);
      const voltage = voltages.get(id)!;
      // a pump takes about as much more current as voltage: the step is damped by that
      const step = (share * (point.voltage - current * ohms) - voltage) / (1 + (current * ohms * share) / voltage);
      if (!(voltage + step > (share === 1 ? LEAST_VOLTAGE : LEAST_CONTROLLED)))
        return failure({ code: 'starvedOfVoltage', component: id, ohms });
      voltages.set(id, voltage + step);
      moved = Math.max(moved, Math.abs(step));
    }
    if (moved < SETTLED) return success({ run, solution: solved.value, voltages, delivered: point.demand });
  }
  return failure({ code: 'starvedOfVoltage', component: wired[0]!.id, ohms: wired[0]!.ohms });
}
