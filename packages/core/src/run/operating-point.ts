import { assumed, originOfAssumed, type AssumptionKey } from '../job/assumption.ts';
import { fuelLiquid, type Fuel } from '../fluids/fuel.ts';
import type { Job } from '../job/job.ts';
import { celsius } from '../units/quick.ts';
import { tankVacuum } from '../vents/tank-vacuum.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { pointKeys, pointNames, type OwnPoint, type PointConditions, type PointKey } from '../job/points.ts';
import type { Source } from '../fields/property.ts';

export { pointKeys, pointNames, type PointKey } from '../job/points.ts';

/** What the engine, the wiring and the tank do at one moment. */
export interface OperatingPoint {
  /** A usual point's key, or the id of one of the fitter's own. */
  readonly key: string;
  /** "full load" */
  readonly name: string;
  readonly demand: number; // m3/s of fuel as warm as it is there: the engine wants its mass
  readonly manifold: number; // Pa, gauge
  readonly voltage: number; // V, where the system is fed: at the battery or the alternator
  readonly temperature: number; // K, of the fuel in the tank and the line
  readonly engineTemperature: number; // K, of the fuel in the rail or at the carburettor
  /** Of the tank's depth. */
  readonly level: number;
  /** Every fine filter is reckoned at least this dirty; 1 is new. */
  readonly dirt: number;
  /** The same of socks and strainers. */
  readonly strainerDirt: number;
  /** Of the air in the tank, Pa gauge. */
  readonly tankPressure: number;
  readonly speed: number; // rev/s of the engine
  /** What feeds the circuit, where the engine's speed does not tell. */
  readonly feed?: 'cranking';
}

type Condition = 'demand' | 'manifold' | 'strainerDirt' | keyof PointConditions;

/** The assumption behind each condition of a usual point that the fitter has not set apart; full load has its own demand and boost. */
const usualOf: Record<PointKey, Partial<Record<Condition, AssumptionKey>> & { readonly voltage: AssumptionKey }> = {
  keyOn: { voltage: 'restingVoltage' },
  idle: { demand: 'idleDemand', manifold: 'idleManifold', voltage: 'runningVoltage' },
  cruise: { demand: 'cruiseDemand', manifold: 'cruiseManifold', voltage: 'runningVoltage' },
  fullLoad: { voltage: 'runningVoltage' },
  fullLoadHot: { voltage: 'lowVoltage', temperature: 'hotFuelTemperature', dirt: 'dirtyFilter' },
  overrun: { manifold: 'overrunManifold', voltage: 'runningVoltage' },
  hotRestart: {
    demand: 'idleDemand',
    manifold: 'idleManifold',
    voltage: 'lowVoltage',
    temperature: 'hotFuelTemperature',
  },
};
const usualOfAny = { temperature: 'fuelTemperature', voltage: 'runningVoltage', level: 'fuelLevel' } as const;
const NEW_FILTER = 1;

/** The assumption behind the engine's speed: it stands while the pump primes. */
const speedOf: Record<PointKey, AssumptionKey | undefined> = {
  keyOn: undefined,
  idle: 'idleSpeed',
  cruise: 'cruiseSpeed',
  fullLoad: 'fullSpeed',
  fullLoadHot: 'fullSpeed',
  overrun: 'cruiseSpeed',
  hotRestart: 'idleSpeed',
};

/**
 * The conditions that a run is solved for: the seven that strand a car, then the fitter's own. Engines want fuel by mass: what is
 * told by volume is told at 20 °C, and hot fuel takes more of it.
 *
 * @param fullDemand - m3/s at 20 °C.
 */
export function operatingPoints(
  job: Pick<Job, 'assumptions' | 'brief' | 'points' | 'survey'>,
  fuel: Fuel,
  fullDemand: number,
): OperatingPoint[] {
  return nominalPoints(job, fullDemand).map((point) => inState(job, fuel, point));
}

const DEMAND_TEMPERATURE = celsius(20);

/** A point's demand at its temperature, and what that draws the tank down to. */
export function inState(
  { survey, assumptions }: Pick<Job, 'survey' | 'assumptions'>,
  fuel: Fuel,
  point: OperatingPoint,
): OperatingPoint {
  const growth = fuelLiquid(fuel, DEMAND_TEMPERATURE).density / fuelLiquid(fuel, point.temperature).density;
  const demand = point.demand * growth;
  return { ...point, demand, tankPressure: -(tankVacuum(survey, demand, assumed(assumptions, 'atmosphere')) ?? 0) };
}

/** The same before heat and vent: demands as told, at 20 °C. */
export function nominalPoints(
  job: Pick<Job, 'assumptions' | 'brief' | 'points'>,
  fullDemand: number,
): OperatingPoint[] {
  const value = (key: AssumptionKey) => assumed(job.assumptions, key);
  const boost = job.brief.aspiration === 'natural' ? 0 : (job.brief.boost?.si ?? 0);
  const conditions = (given: PointConditions | undefined, usual: Partial<Record<Condition, AssumptionKey>>) => {
    const all = { ...usualOfAny, ...usual };
    const temperature = given?.temperature?.si ?? value(all.temperature);
    return {
      voltage: given?.voltage?.si ?? value(all.voltage),
      temperature,
      engineTemperature: temperature,
      level: given?.level?.si ?? value(all.level),
      dirt: given?.dirt?.si ?? (all.dirt ? value(all.dirt) : NEW_FILTER),
      strainerDirt: all.strainerDirt ? value(all.strainerDirt) : NEW_FILTER,
      tankPressure: 0,
    };
  };
  const full = { demand: fullDemand, manifold: boost };
  return [
    ...pointKeys.map((key) => {
      const usual = usualOf[key];
      const point = {
        key,
        name: pointNames[key],
        demand: usual.demand ? value(usual.demand) : 0,
        manifold: usual.manifold ? value(usual.manifold) : 0,
        speed: speedOf[key] ? value(speedOf[key]) : 0,
        ...(isFullLoad(key) && full),
        ...conditions(job.points?.[key], usual),
      };
      return key === 'hotRestart'
        ? { ...point, engineTemperature: Math.max(value('soakTemperature'), point.temperature) }
        : point;
    }),
    ...(job.points?.own ?? []).map((own) => ({
      key: own.id,
      name: own.label?.trim() || 'own point',
      demand: ownDemand(own, fullDemand),
      manifold: own.manifold?.si ?? 0,
      speed: value('cruiseSpeed'),
      ...conditions(own, {}),
    })),
  ];
}

const isFullLoad = (key: string): boolean => key === 'fullLoad' || key === 'fullLoadHot';

/** Whose figure a condition of a point is, and the field to change it in, if it has one. */
export function originOf(
  job: Job,
  key: string,
  condition: Exclude<Condition, 'demand' | 'strainerDirt'>,
): { readonly source: Source; readonly path?: FieldPath } {
  const own = job.points?.own?.find((o) => o.id === key);
  if (own && (condition === 'manifold' || own[condition]))
    return { source: 'chosen', path: ['points', 'own', key, condition] };
  if (condition !== 'manifold' && job.points?.[key as PointKey]?.[condition])
    return { source: 'chosen', path: ['points', key, condition] };
  if (condition === 'manifold' && isFullLoad(key))
    return { source: 'chosen', path: ['brief', job.brief.aspiration === 'natural' ? 'aspiration' : 'boost'] };
  const usual: Partial<Record<Condition, AssumptionKey>> = { ...usualOfAny, ...usualOf[key as PointKey] };
  const assumption = usual[condition];
  return assumption ? originOfAssumed(job.assumptions, assumption) : { source: 'computed' };
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
