import type { Fuel } from '../fluids/fuel.ts';
import { assumed } from '../job/assumption.ts';
import { hangerProperties } from '../job/hanger.ts';
import type { Job } from '../job/job.ts';
import { isBypass } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import { compileRun } from '../run/compile-run.ts';
import { fuelAt } from '../run/fuel-at.ts';
import { pointResult, type PointResult } from '../run/point-result.ts';
import { PreparedRun } from '../run/prepared-run.ts';
import { solvePoint } from '../run/solve-point.ts';
import type { RunSolution } from '../run/solve-run.ts';
import { jetPoints, siphonFindings, type JetMoment, type JetPoint, type SiphonFindings } from './siphon.ts';

/** The siphon of a job; undefined where nothing asks for one, nothing comes back to drive it, or no drill is entered and none would do. */
export function siphonOf(
  job: Job,
  fuel: Fuel | undefined,
  solution: RunSolution | undefined,
): SiphonFindings | undefined {
  const hanger = job.hanger ?? {};
  const isWanted =
    job.survey.tank.shape === 'saddle' || hanger.farHeight !== undefined || hanger.jetDrill !== undefined;
  // what comes back to a pot does not drive a jet in the tank
  if (!isWanted || !solution || !fuel || !returnsToTank(job)) return undefined;
  const as = (results: Readonly<Record<JetPoint, PointResult>>) => momentsOf(job, fuel, results);
  const results = solution.points;
  const free = hanger.jetDrill?.si ? withoutJet(job, fuel, solution) : results;
  if (!free) return undefined;
  const regulator = circuitsOf(job).parts.find(isBypass);
  const far = hanger.farHeight?.si ?? 0;
  const reserve = hanger.reserveLevel?.si ?? hangerProperties.reserveLevel.typical!.si;
  const jet = hanger.jetHeight?.si;
  const found = siphonFindings(hanger, {
    lift: Math.max(0, (job.survey.tank.bridgeFloor?.si ?? 0) - far, (jet ?? 0) - far),
    set: regulator?.setPressure?.si,
    points: as(results),
    free: as(free),
  });
  return found && { ...found, aboveFuel: jet !== undefined && jet > reserve ? jet - reserve : undefined };
}

/** What comes back and is burnt at each moment; at idle with hot fuel, which boils in the throat first. */
function momentsOf(
  job: Job,
  fuel: Fuel,
  results: Readonly<Record<JetPoint, PointResult>>,
): Record<JetPoint, JetMoment> {
  const hot = assumed(job.assumptions, 'hotFuelTemperature');
  return Object.fromEntries(
    jetPoints.map((key): [JetPoint, JetMoment] => {
      const { returnFlow, point } = results[key];
      const { boiling, ...liquid } = fuelAt(
        job,
        fuel,
        key === 'idle' ? Math.max(hot, point.temperature) : point.temperature,
      );
      const overVapour = boiling === undefined ? undefined : point.tankPressure - boiling;
      return [key, { returnFlow, demand: point.demand, liquid, overVapour }];
    }),
  ) as Record<JetPoint, JetMoment>;
}

/** The moments as they would be with the return's end open. */
function withoutJet(job: Job, fuel: Fuel, { points }: RunSolution): Record<JetPoint, PointResult> | undefined {
  const open: Job = { ...job, hanger: { ...job.hanger, jetDrill: undefined } };
  const prepared = new PreparedRun(compileRun(open));
  const results: Partial<Record<JetPoint, PointResult>> = {};
  for (const key of jetPoints) {
    const solved = solvePoint(prepared, open, fuel, points[key].point);
    if (!solved.ok) return undefined;
    results[key] = pointResult(open, fuel, points[key].point, solved.value);
  }
  return results as Record<JetPoint, PointResult>;
}

/** What a regulator spills comes back to the tank, not to a pot. */
function returnsToTank(job: Job): boolean {
  const run = circuitsOf(job);
  return !run.bypasses.some((id) => run.zoneAt(id, 'return')?.into.some((v) => run.isPot(v)));
}
