import { holdAttachment } from '@endrel/core/attachments/attachment';
import { previewAct } from '@endrel/core/assessment/assess';
import { farPickupPlace, pickupPlace, pickupPoints } from '@endrel/core/hangers/hanger-findings';
import { hangerProperties } from '@endrel/core/job/hanger';
import type { Job } from '@endrel/core/job/job';
import { layOutAndSolve } from '@endrel/core/layouts/compare-layouts';
import { proposals, type LibraryPump, type Proposal } from '@endrel/core/sizing/proposals';
import { pumpRows } from '@endrel/core/pumps/pump-rows';
import { findingsOf } from '@endrel/core/reckoning/findings';
import { fuelOf } from '@endrel/core/reckoning/brief-values';
import type { OperatingPoint } from '@endrel/core/run/operating-point';
import { systemCurve, type SystemPoint } from '@endrel/core/run/system-curve';
import { attitudeTables, type AttitudeTables } from '@endrel/core/tanks/attitude-tables';
import { compartments } from '@endrel/core/tanks/compartments';
import { pickupMap, type PickupMap } from '@endrel/core/tanks/pickup';
import { jointCalculator } from './joint-calculator.ts';
import { routeCalculator } from './route-calculator.ts';
import { surveyedTank } from '@endrel/core/tanks/surveyed-tank';

/** Told the share done; answers whether to go on. A page answers later, so that a cancel gets through between two steps. */
type Progress = (share: number) => boolean | Promise<boolean>;

const SYSTEM_POINTS = 16;

/** As it is reckoned: with what its routes tell where nobody measured it. */
const withRoutes = (job: Job): Job => findingsOf(job).job;

export const longCalculator = {
  ...jointCalculator,
  ...routeCalculator,
  holdAttachment,
  previewAct,
  /** Litres left over pitch and roll; undefined while tank or hanger are not known. */
  pickupMap(job: Job): PickupMap | undefined {
    const outcome = surveyedTank(job.survey.tank);
    const hanger = job.hanger ?? {};
    const place = pickupPlace(hanger, job.survey.tank);
    if (outcome.kind !== 'known' || !outcome.tank.solids || !place) return undefined;
    const bucketInlet = hanger.bucket
      ? (hanger.bucketInlet?.si ?? hangerProperties.bucketInlet.typical!.si)
      : undefined;
    return pickupMap(
      compartments(outcome.tank, job.survey.tank, place, farPickupPlace(hanger)),
      outcome.tank.porosity,
      { place, points: pickupPoints(hanger, place), bucketInlet },
    );
  },
  /** Sizes one after the other; stops when told that they are no longer wanted. */
  async proposals(
    job: Job,
    library: readonly LibraryPump[],
    onFound: (proposal: Proposal) => boolean | Promise<boolean>,
  ): Promise<void> {
    for (const proposal of proposals(withRoutes(job), library)) if (!(await onFound(proposal))) return;
  },
  layOutAndSolve,
  /** What the run asks of a pump over the flows of its table, at a point that the run was solved for. */
  systemCurve(asLeft: Job, pumpId: string, point: OperatingPoint): SystemPoint[] {
    const job = withRoutes(asLeft);
    const fuel = fuelOf(job);
    const pump = job.parts[pumpId];
    if (!fuel || pump?.kind !== 'pump') return [];
    const most = Math.max(...pumpRows(pump).flatMap((t) => t.rows.map((r) => r.flow)));
    const flows = Array.from({ length: SYSTEM_POINTS }, (_, i) => ((i + 1) / SYSTEM_POINTS) * most * 1.1);
    return systemCurve(job, fuel, point, pumpId, flows);
  },
  /** Strapping tables at 25 attitudes; undefined when cancelled. */
  attitudeTables(job: Job, count: number, onAttitude: Progress): Promise<AttitudeTables | undefined> {
    const outcome = surveyedTank(job.survey.tank);
    if (outcome.kind !== 'known') return Promise.resolve(undefined);
    return attitudeTables(outcome.tank, count, onAttitude);
  },
};
export type LongCalculator = typeof longCalculator;
