import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import type { Network } from '../hydraulics/network.ts';
import type { Job } from '../job/job.ts';
import { buildNetwork } from './build-network.ts';
import type { PointResult } from './solve-run.ts';

/**
 * The network behind a result: pumps at the voltage that wiring and controller leave them, the engine drawing what it got.
 * For other engines to check.
 */
export function networkAt(job: Job, fuel: Fuel, { point, components, delivered }: PointResult): Network {
  const voltages = new Map(components.flatMap((c) => (c.voltage === undefined ? [] : [[c.id, c.voltage] as const])));
  return buildNetwork(job, fuelLiquid(fuel, point.temperature), { ...point, demand: delivered }, { voltages }).network;
}
