import type { Fuel } from '../fluids/fuel.ts';
import { assumed } from '../job/assumption.ts';
import { settledValue } from '../parts/value.ts';
import { success, type Result } from '../result.ts';
import { compileRun } from './compile-run.ts';
import { deadHeads, type DeadHead } from './dead-head.ts';
import { operatingPoints, type OperatingPoint, type PointKey } from './operating-point.ts';
import { pointResult, wantedRailPressure, type PointResult, type RunInputs } from './point-result.ts';
import { inflow, PreparedRun } from './prepared-run.ts';
import { primeOf, type Prime } from './priming.ts';
import type { RunFault } from './run-fault.ts';
import { solvePoint } from './solve-point.ts';
import { spansOf, type Span } from './spans.ts';
import { wiredFeeds } from './wired-pumps.ts';
import { crankingVolts } from '../harness/devices/sources.ts';
import { worstSuction, type WorstSuction } from './worst-suction.ts';

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
  /** Where a pump has least in hand before its fuel boils. */
  readonly worstSuction?: WorstSuction;
  readonly spans: readonly Span[];
  readonly deadHead: DeadHead;
  readonly prime?: Prime;
  /** Where a circuit tells the pumps' voltages: while the engine is turned over, and at full load charging hard. */
  readonly wired?: { readonly cranking?: PointResult; readonly charging?: PointResult };
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

const BOWL_SHARE = 0.8; // of its regulator's pressure a carburettor still fills at full load, typical, from memory
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
  const conditions = operatingPoints(job, fuel, fullDemand);
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
      // with the engine standing nothing hangs on a pump's flow
      extrapolated ||= curve.extrapolated && point.key !== 'keyOn';
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
    worstSuction: worstSuction(prepared, job, fuel, fullDemand),
    deadHead: deadHeads(run.circuits, assumed(job.assumptions, 'chargingVoltage')),
    prime,
    ...(wiredFeeds(job.wiring) ? { wired: wiredPoints(prepared, job, fuel, conditions) } : {}),
    extrapolated,
    beyondTable,
  });
}

const CRANKING_SPEED = 200 / 60; // rev/s of the engine, typical
const CRANKING_MANIFOLD = 0; // Pa gauge: next to no vacuum yet

/** What the usual points leave out of a circuit: least voltage and most. A point that does not solve is left out. */
function wiredPoints(
  prepared: PreparedRun,
  job: RunInputs,
  fuel: Fuel,
  conditions: readonly OperatingPoint[],
): NonNullable<RunSolution['wired']> {
  const at = (key: PointKey) => conditions.find((p) => p.key === key)!;
  const battery = job.wiring?.devices?.find((d) => d.kind === 'battery' && d.stands !== 'out');
  const solved = (point: OperatingPoint): PointResult | undefined => {
    const found = solvePoint(prepared, job, fuel, point);
    return found.ok ? pointResult(job, fuel, point, found.value) : undefined;
  };
  const cranking =
    battery?.kind === 'battery'
      ? solved({
          ...at('idle'),
          key: 'cranking',
          name: 'cranking',
          voltage: crankingVolts(battery),
          speed: CRANKING_SPEED,
          manifold: CRANKING_MANIFOLD,
          feed: 'cranking',
        })
      : undefined;
  const charging = solved({
    ...at('fullLoad'),
    key: 'charging',
    name: 'full load, charging hard',
    voltage: assumed(job.assumptions, 'chargingVoltage'),
  });
  return { ...(cranking ? { cranking } : {}), ...(charging ? { charging } : {}) };
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
  // a float bowl fills below what its regulator is set to: with a low setting its least pressure is that much below
  const heldPressure = carburettor
    ? Math.min(settledValue(carburettor, 'leastPressure'), wanted * BOWL_SHARE)
    : wanted * HELD_SHARE;
  const solved = solvePoint(prepared, job, fuel, point, heldPressure);
  if (!solved.ok) return undefined;
  const available = Math.max(0, inflow(solved.value));
  return { available, needed, heldPressure, margin: available / needed - 1, point: 'fullLoadHot' };
}
