import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';

export const pointKeys = ['idle', 'cruise', 'fullLoad', 'fullLoadHot', 'overrun'] as const;
export type PointKey = (typeof pointKeys)[number];

export const pointNames: Record<PointKey, string> = {
  idle: 'idle',
  cruise: 'cruise',
  fullLoad: 'full load',
  fullLoadHot: 'full load, hot fuel, low voltage',
  overrun: 'overrun',
};

/** What the engine and the wiring do at one moment. */
export interface OperatingPoint {
  readonly key: PointKey;
  readonly demand: number; // m3/s
  readonly manifold: number; // Pa, gauge
  readonly voltage: number; // V, at the pump
  readonly temperature: number; // K, of the fuel
}

/** The five conditions that every run is solved for. @param fullDemand - m3/s. */
export function operatingPoints(job: Job, fullDemand: number): OperatingPoint[] {
  const value = (key: Parameters<typeof assumed>[1]) => assumed(job.assumptions, key);
  const boost = job.brief.aspiration === 'natural' ? 0 : (job.brief.boost?.si ?? 0);
  const running = { voltage: value('runningVoltage'), temperature: value('fuelTemperature') };
  const hot = { voltage: value('lowVoltage'), temperature: value('hotFuelTemperature') };
  return [
    { key: 'idle', demand: value('idleDemand'), manifold: value('idleManifold'), ...running },
    { key: 'cruise', demand: value('cruiseDemand'), manifold: value('cruiseManifold'), ...running },
    { key: 'fullLoad', demand: fullDemand, manifold: boost, ...running },
    { key: 'fullLoadHot', demand: fullDemand, manifold: boost, ...hot },
    { key: 'overrun', demand: 0, manifold: value('overrunManifold'), ...running },
  ];
}
