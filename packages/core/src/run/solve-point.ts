import type { Fuel } from '../fluids/fuel.ts';
import type { Circuits } from './circuits.ts';
import { fuelAt, type FuelAt } from './fuel-at.ts';
import type { Job } from '../job/job.ts';
import { settledValue } from '../parts/value.ts';
import { kindOf, type PartOf } from '../parts/kinds.ts';
import { pumpRuns } from '../pumps/staging.ts';
import { failure, success, type Result } from '../result.ts';
import type { OperatingPoint } from './operating-point.ts';
import { inflow, type Draw, type PreparedRun, type SolvedRun } from './prepared-run.ts';
import { feedAt, wiredFeeds } from './wired-pumps.ts';
import { settleRegulators } from './settle-regulators.ts';
import type { RunFault } from './run-fault.ts';

/** What of a job decides how one point is solved. */
export type PointInputs = Pick<Job, 'brief' | 'assumptions' | 'points' | 'survey' | 'wiring'>;

/** A run solved at one point, with what its pumps get of the voltage and what the engine gets of its demand. */
export interface SolvedPoint extends SolvedRun {
  /** V at each pump whose wiring or controller is reckoned. */
  readonly voltages: ReadonlyMap<string, number>;
  /** Of the pump controller, 0 to 1. */
  readonly duty?: number;
  /** m3/s that reach the engine: its demand, or what little the run can still bring. */
  readonly delivered: number;
}

const SETTLED = 1e-4; // V between two turns
const MOST_TURNS = 40;
const MOST_SHRINK = 0.5; // of a step to the one before it, up to which their sum is trusted
const LEAST_VOLTAGE = 4; // V: a pump on full voltage that gets less does not run
const LEAST_CONTROLLED = 0.5; // V, of a pump under a controller
const HELD = 20; // Pa: as close as a controller is brought to its pressure

/**
 * One operating point, with the pumps' wiring and their controller.
 *
 * Where the run cannot bring the demand at any pressure the injectors could use, the engine takes what comes: the rail
 * then stands at manifold pressure, and `delivered` says how much arrives.
 *
 * @param hold - Pa gauge at the consumers instead of their demand.
 */
export function solvePoint(
  prepared: PreparedRun,
  job: PointInputs,
  kind: Fuel,
  point: OperatingPoint,
  hold?: number,
): Result<SolvedPoint, RunFault> {
  const { run } = prepared;
  const fuel = fuelAt(job, kind, point.temperature);
  settle(prepared, job, kind);
  if (hold !== undefined) return solveControlled(prepared, job, fuel, point, { hold });
  const solved = solveControlled(prepared, job, fuel, point, { demand: point.demand });
  const floor = opposing(job, run.circuits, point);
  const enough = ({ pressures }: SolvedPoint) =>
    point.demand === 0 || Math.min(...run.draws.map((d) => pressures[d.node]!)) >= floor;
  if (solved.ok ? enough(solved.value) : !isCutOffByVapour(prepared, job, fuel, point)) return solved;
  const starved = solveControlled(prepared, job, fuel, point, { hold: floor });
  if (starved.ok && inflow(starved.value) > 0) return success({ ...starved.value, delivered: inflow(starved.value) });
  const nothing = solveControlled(prepared, job, fuel, { ...point, demand: 0 }, { demand: 0 });
  if (nothing.ok) return success({ ...nothing.value, delivered: 0 });
  // behind a pump that draws vapour nothing else says what the rail stands at
  return starved.ok ? success({ ...starved.value, delivered: 0 }) : nothing;
}

/** Finds, once for a prepared run, what passed its regulators when they were set. */
export function settle(prepared: PreparedRun, job: PointInputs, fuel: Fuel): void {
  settleRegulators(prepared, job, fuel, (at) => {
    const solved = solveControlled(prepared, job, fuelAt(job, fuel, at.temperature), at, { demand: at.demand });
    return solved.ok ? solved.value : undefined;
  });
}

/** It solves while fuel is taken for something that does not boil. */
const isCutOffByVapour = (
  prepared: PreparedRun,
  job: PointInputs,
  { boiling, ...liquid }: FuelAt,
  point: OperatingPoint,
): boolean => boiling !== undefined && solveControlled(prepared, job, liquid, point, { demand: point.demand }).ok;

/**
 * What the fuel has to enter against, Pa gauge: the manifold where the injectors sit behind the throttle, else the atmosphere, as
 * at a carburettor, at injectors above the throttle and at the feed of a direct-injection pump.
 */
export function opposing({ brief }: Pick<Job, 'brief'>, circuits: Circuits, { manifold }: OperatingPoint): number {
  const isCarburettor = circuits.consumers.some((id) => kindOf(circuits.part(id)).meters === 'float');
  return brief.direct || brief.injectorsSit === 'aboveThrottle' || isCarburettor ? 0 : manifold;
}

type Pump = PartOf<'pump'>;

const runningPumps = ({ run }: PreparedRun, point: OperatingPoint): Pump[] =>
  run.circuits.parts.filter((c): c is Pump => c.kind === 'pump' && pumpRuns(c, point));

/** The pressure that a controller holds at its sensor at a point, Pa gauge; undefined without a controller. */
export function controlledPressure(parts: readonly { kind: string }[], point: OperatingPoint): number | undefined {
  const pump = parts.find((c): c is Pump => c.kind === 'pump' && (c as Pump).drive === 'pwm');
  return pump?.targetPressure && pump.targetPressure.si + (pump.targetReferenced ? point.manifold : 0);
}

/**
 * A point with its controller. What the controller sets is the voltage at the pump: that is sought until the sensor reads
 * the pressure to be held, by false position (Illinois) on its square, with which a pump's pressure goes; the duty
 * follows from what the wiring leaves.
 */
function solveControlled(
  prepared: PreparedRun,
  job: PointInputs,
  fuel: FuelAt,
  point: OperatingPoint,
  draw: Draw,
): Result<SolvedPoint, RunFault> {
  const { run } = prepared;
  const target = controlledPressure(run.circuits.parts, point);
  const controlled = runningPumps(prepared, point).find((p) => p.drive === 'pwm');
  const at = (voltage: number) => solveWired(prepared, job, fuel, point, draw, { voltage });
  const atDuty = (share: number) => solveWired(prepared, job, fuel, point, draw, { share });
  if (target === undefined || !controlled) return atDuty(1);
  // asked for all that the run can do, a controller gives full duty
  if ('hold' in draw) return atDuty(1);
  const most = at(point.voltage);
  if (!most.ok || run.sensor === undefined) return most;
  const over = ({ pressures }: SolvedRun) => pressures[run.sensor!]! - target;
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
    const solved = at(voltage);
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
  const duty = voltage / availableTo(job, point, found, controlled.id);
  if (!(duty > 0 && duty <= 1)) return full();
  const least = settledValue(controlled, 'leastDuty');
  if (duty >= least) return success({ ...found, duty });
  const slowest = atDuty(least);
  return slowest.ok ? success({ ...slowest.value, duty: least }) : slowest;
}

/** A that a pump draws; undefined while it stands or its table has no current. */
const currentOf = ({ run, flows, moment }: SolvedRun, id: string): number | undefined => {
  const pump = run.pumps.find((p) => p.id === id);
  const curve = pump?.curve(moment);
  return curve?.current(curve.rise.value(flows[pump!.linkIndex]!));
};

/** V that the circuit leaves a pump at what all of them draw; a controller passes on a share of that. */
function availableTo(job: PointInputs, point: OperatingPoint, solved: SolvedRun, id: string): number {
  const feeds = wiredFeeds(job.wiring);
  if (!feeds?.ports.has(id)) return point.voltage;
  const feed = feedAt(point);
  return [...feeds.ports].reduce(
    (left, q) => left - feeds.ohms(id, q, feed.by) * (currentOf(solved, q) ?? 0),
    feeds.open(id, feed),
  );
}

/**
 * What pumps draw pulls their voltages down, their own and those that share a feed or an earth with them, which changes what they
 * draw: network and voltages are solved in turn until they agree.
 *
 * @param control - of pumps under a controller: the voltage they get, or their share of what their wiring leaves.
 */
function solveWired(
  prepared: PreparedRun,
  job: PointInputs,
  fuel: FuelAt,
  point: OperatingPoint,
  draw: Draw,
  control: { voltage: number } | { share: number },
): Result<SolvedPoint, RunFault> {
  const pumps = runningPumps(prepared, point);
  const feeds = wiredFeeds(job.wiring);
  const feed = feedAt(point);
  const voltages = new Map<string, number>();
  if ('voltage' in control) for (const p of pumps) if (p.drive === 'pwm') voltages.set(p.id, control.voltage);
  const wired = pumps.flatMap((pump) => {
    const share = pump.drive === 'pwm' && 'share' in control ? control.share : 1;
    const isWired = feeds?.ports.has(pump.id) === true;
    if (voltages.has(pump.id) || (!isWired && share === 1)) return [];
    return [{ id: pump.id, share, ohms: isWired ? feeds.ohms(pump.id, pump.id, feed.by) : 0 }];
  });
  const least = (share: number) => (share === 1 ? LEAST_VOLTAGE : LEAST_CONTROLLED);
  for (const { id, share, ohms } of wired) {
    const open = (feeds?.ports.has(id) ? feeds.open(id, feed) : point.voltage) * share;
    if (!(open > least(share))) return failure({ code: 'starvedOfVoltage', part: id, ohms });
    // begun with what the wiring took at the point before
    const taken = (prepared.taken.get(id) ?? 0) * share;
    voltages.set(id, open - taken > least(share) ? open - taken : open);
  }
  const before = new Map<string, number>();
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const solved = prepared.solve(point, fuel, voltages, draw);
    if (!solved.ok) return failure({ code: 'unsolved', fault: solved.fault, point: point.name });
    let moved = 0;
    for (const { id, share, ohms } of wired) {
      const voltage = voltages.get(id)!;
      const current = currentOf(solved.value, id) ?? 0;
      // a pump takes about as much more current as voltage: the step is damped by that
      const step =
        (share * availableTo(job, point, solved.value, id) - voltage) / (1 + (current * ohms * share) / voltage);
      if (!(voltage + step > least(share))) return failure({ code: 'starvedOfVoltage', part: id, ohms });
      // steps shrink by about the same share each turn: what they come to is gone at once
      const shrinks = step / (before.get(id) ?? Infinity);
      before.set(id, step);
      voltages.set(id, voltage + (Math.abs(shrinks) < MOST_SHRINK ? step / (1 - shrinks) : step));
      moved = Math.max(moved, Math.abs(step));
    }
    if (moved < SETTLED) {
      for (const { id, share } of wired)
        if (feeds?.ports.has(id)) prepared.taken.set(id, feeds.open(id, feed) - voltages.get(id)! / share);
      return success({ ...solved.value, voltages, delivered: point.demand });
    }
  }
  return failure({ code: 'starvedOfVoltage', part: wired[0]!.id, ohms: wired[0]!.ohms });
}
