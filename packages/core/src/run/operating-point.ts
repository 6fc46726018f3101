import { assumed } from '../job/assumption.ts';
import type { Job } from '../job/job.ts';
import { pointKeys, pointNames, type OwnPoint, type PointConditions, type PointKey } from '../job/points.ts';

export { pointKeys, pointNames, type PointKey } from '../job/points.ts';

/** What the engine, the wiring and the tank do at one moment. */
export interface OperatingPoint {
  /** A usual point's key, or the id of one of the fitter's own. */
  readonly key: string;
  /** "full load" */
  readonly name: string;
  readonly demand: number; // m3/s
  readonly manifold: number; // Pa, gauge
  readonly voltage: number; // V, at the pump
  readonly temperature: number; // K, of the fuel in the tank and the line
  readonly engineTemperature: number; // K, of the fuel in the rail or at the carburettor
  /** Of the tank's depth. */
  readonly level: number;
  /** Every fine filter is reckoned at least this dirty; 1 is new. */
  readonly dirt: number;
}

/** The conditions that a run is solved for: the seven that strand a car, then the fitter's own. @param fullDemand - m3/s. */
export function operatingPoints(job: Job, fullDemand: number): OperatingPoint[] {
  const value = (key: Parameters<typeof assumed>[1]) => assumed(job.assumptions, key);
  const boost = job.brief.aspiration === 'natural' ? 0 : (job.brief.boost?.si ?? 0);
  const usual = (given: PointConditions | undefined, temperature: number, voltage: number, dirt = 1) => {
    const fuel = given?.temperature?.si ?? temperature;
    return {
      voltage: given?.voltage?.si ?? voltage,
      temperature: fuel,
      engineTemperature: fuel,
      level: given?.level?.si ?? value('fuelLevel'),
      dirt: given?.dirt?.si ?? dirt,
    };
  };
  const [cool, hot] = [value('fuelTemperature'), value('hotFuelTemperature')];
  const running = value('runningVoltage');
  const at = (key: PointKey, demand: number, manifold: number, temperature = cool, voltage = running, dirt = 1) => ({
    key,
    name: pointNames[key],
    demand,
    manifold,
    ...usual(job.points?.[key], temperature, voltage, dirt),
  });
  const hotRestart = at('hotRestart', value('idleDemand'), value('idleManifold'), hot, value('lowVoltage'));
  return [
    at('keyOn', 0, 0, cool, value('restingVoltage')),
    at('idle', value('idleDemand'), value('idleManifold')),
    at('cruise', value('cruiseDemand'), value('cruiseManifold')),
    at('fullLoad', fullDemand, boost),
    at('fullLoadHot', fullDemand, boost, hot, value('lowVoltage'), value('dirtyFilter')),
    at('overrun', 0, value('overrunManifold')),
    { ...hotRestart, engineTemperature: Math.max(value('soakTemperature'), hotRestart.temperature) },
    ...(job.points?.own ?? []).map((own) => ({
      key: own.id,
      name: own.label?.trim() || 'own point',
      demand: ownDemand(own, fullDemand),
      manifold: own.manifold?.si ?? 0,
      ...usual(own, cool, running),
    })),
  ];
}

/** The fitter's figure, or the share of full load that he gave; without either an engine at rest. */
const ownDemand = (own: OwnPoint, fullDemand: number): number => own.demand?.si ?? (own.load?.si ?? 0) * fullDemand;

/** A point's name, also while its results are not there. */
export const pointName = (job: Job, key: string): string =>
  pointNames[key as PointKey] ?? (job.points?.own?.find((o) => o.id === key)?.label?.trim() || 'own point');

/** A few letters for where room is short. */
export const shortPointName = (job: Job, key: string): string =>
  key === 'fullLoadHot' ? 'full, hot, low V' : key === 'keyOn' ? 'key-on' : pointName(job, key);

/** Keys of all points of a job, in order. */
export const pointKeysOf = (job: Job): string[] => [...pointKeys, ...(job.points?.own ?? []).map((o) => o.id)];
