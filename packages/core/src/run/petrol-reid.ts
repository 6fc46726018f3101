import type { Fuel } from '../fluids/fuel.ts';
import { petrolReid } from '../fluids/vapour-pressure.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';

/**
 * Reid vapour pressure of the petrol in a job's fuel, Pa, whichever of petrol and blend it was told of. A blend that no petrol
 * makes is reckoned as if its figure were the petrol's, and a snag says so.
 */
export const petrolReidOf = (job: Pick<Job, 'assumptions' | 'brief'>, fuel: Fuel): number =>
  petrolReidIfAny(job, fuel) ?? assumed(job.assumptions, 'reidVapourPressure');

/** To this share what is sold has the ethanol in it, and its figure is the blend's. Common practice. */
const SOLD_BLENDED = 0.15;

/** Of what the Reid vapour pressure is told: as the fitter said, else of what is sold. */
export const reidToldOf = ({ brief }: Pick<Job, 'brief'>, fuel: Fuel): 'petrol' | 'blend' =>
  brief.reidOf ?? (fuel.family === 'petrol' && fuel.ethanol <= SOLD_BLENDED ? 'blend' : 'petrol');

/** The same; undefined where no petrol makes a blend as volatile, or as little, as it is said to be. */
export function petrolReidIfAny(job: Pick<Job, 'assumptions' | 'brief'>, fuel: Fuel): number | undefined {
  const told = assumed(job.assumptions, 'reidVapourPressure');
  return reidToldOf(job, fuel) === 'blend' ? petrolReid(fuel, told) : told;
}
