import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import { vapourPressure } from '../fluids/vapour-pressure.ts';
import type { Liquid } from '../hydraulics/network.ts';
import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { petrolReidOf } from './petrol-reid.ts';

/** A job's fuel at a temperature, with the pressure at which it boils there, Pa gauge; what does not boil in use has none. */
export interface FuelAt extends Liquid {
  readonly boiling?: number;
}

/** @param temperature - K. */
export function fuelAt(job: Pick<Job, 'assumptions' | 'brief'>, fuel: Fuel, temperature: number): FuelAt {
  const liquid = fuelLiquid(fuel, temperature);
  if (fuel.family === 'diesel') return liquid;
  const vapour = vapourPressure(fuel, petrolReidOf(job, fuel), temperature);
  return { ...liquid, boiling: vapour - assumed(job.assumptions, 'atmosphere') };
}
