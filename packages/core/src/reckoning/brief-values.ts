import { usualBsfc, usualDieselBsfc } from '../engine/demand.ts';
import type { Fuel } from '../fluids/fuel.ts';
import { waterTest } from '../fluids/water-test.ts';
import type { Job } from '../job/job.ts';
import type { Value } from '../parts/value.ts';

/** The fuel, once family and ethanol share are known. */
export function fuelOf(job: Job): Fuel | undefined {
  if (job.brief.fuel === 'diesel') return { family: 'diesel' };
  if (job.brief.fuel !== 'petrol' || job.brief.ethanol === undefined) return undefined;
  return { family: 'petrol', ethanol: job.brief.ethanol.si };
}

/** The ethanol that the water test found, once all three readings are there. */
export function waterTestOf({
  brief: { testWater, testFuel, testBoundary },
}: Job): ReturnType<typeof waterTest> | undefined {
  return testWater && testFuel && testBoundary ? waterTest(testWater.si, testFuel.si, testBoundary.si) : undefined;
}

/** BSFC as given, or the top of the usual band for a diesel or for the aspiration. */
export function bsfcOf(job: Job): Value | undefined {
  if (job.brief.bsfc) return { si: job.brief.bsfc.si, source: 'chosen' };
  if (job.brief.fuel === 'diesel') return { si: usualDieselBsfc, source: 'common practice' };
  return job.brief.aspiration ? { si: usualBsfc[job.brief.aspiration], source: 'common practice' } : undefined;
}
