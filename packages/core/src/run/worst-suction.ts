import type { Fuel } from '../fluids/fuel.ts';
import { assumed } from '../job/assumption.ts';
import { hangerProperties } from '../job/hanger.ts';
import { inState, nominalPoints, pointNames, type OperatingPoint } from './operating-point.ts';
import type { PreparedRun } from './prepared-run.ts';
import { solvePoint } from './solve-point.ts';
import { pointResult, type PointResult, type RunInputs } from './point-result.ts';

/** What may come together at the pump: each is told in words where it makes it worse. */
const extremes = {
  hot: 'hot fuel',
  charging: 'charging voltage',
  dirty: 'dirty sock and strainers',
  low: 'tank down to the level it must still run at',
} as const;
export type Extreme = keyof typeof extremes;

/** The operating point and the extremes at which a pump has least in hand before its fuel boils. */
export interface WorstSuction {
  readonly result: PointResult;
  /** Of the point that the extremes are laid upon. */
  readonly name: string;
  readonly extremes: readonly Extreme[];
}

/** “full load, hot fuel, dirty sock and strainers” */
export const sayWorst = ({ name, extremes: taken }: WorstSuction): string =>
  [name, ...taken.map((e) => extremes[e])].join(', ');

const every = Object.keys(extremes) as Extreme[];

/**
 * The worst of all points and extremes. More flow, heat, dirt and a lower level each leave less, so that the search begins where
 * all four come together and then takes back each that makes it worse after all (a regulator may answer in its own way).
 */
export function worstSuction(
  prepared: PreparedRun,
  job: RunInputs,
  fuel: Fuel,
  fullDemand: number,
): WorstSuction | undefined {
  const at = (point: OperatingPoint, taken: readonly Extreme[]): WorstSuction | undefined => {
    const harder = inState(job, fuel, laidUpon(job, point, taken));
    const solved = solvePoint(prepared, job, fuel, harder);
    if (!solved.ok) return undefined;
    return {
      result: pointResult(job, fuel, harder, solved.value),
      name: point.key === 'fullLoadHot' ? pointNames.fullLoad : point.name,
      extremes: taken,
    };
  };
  const worse = (a: WorstSuction | undefined, b: WorstSuction | undefined) =>
    !a || (b && inHand(b) < inHand(a)) ? b : a;
  // the hot points are the others with some of the extremes laid on them, unless the fitter has set them apart
  const isOther = (key: string) => (key !== 'fullLoadHot' && key !== 'hotRestart') || job.points?.[key] !== undefined;
  const points = nominalPoints(job, fullDemand).filter((p) => isOther(p.key));
  let worst = points.map((point) => at(point, every)).reduce(worse, undefined);
  if (!worst) return undefined;
  const point = points.find((p) => p.key === worst!.result.point.key)!;
  for (const extreme of every)
    worst =
      worse(
        worst,
        at(
          point,
          worst.extremes.filter((e) => e !== extreme),
        ),
      ) ?? worst;
  return worst;
}

/** Head in hand; of two choked pumps the one that passes less is worse off. */
const inHand = ({ result }: WorstSuction): number =>
  result.choked.length > 0 ? Math.min(0, result.suctionMargin) - 1 + result.pumpFlow : result.suctionMargin;

function laidUpon(job: RunInputs, point: OperatingPoint, taken: readonly Extreme[]): OperatingPoint {
  const value = (key: Parameters<typeof assumed>[1]) => assumed(job.assumptions, key);
  const depth = job.survey.tank.depth?.si;
  const reserve = job.hanger?.reserveLevel?.si ?? hangerProperties.reserveLevel.typical!.si;
  const has = (extreme: Extreme) => taken.includes(extreme);
  const temperature = has('hot') ? Math.max(point.temperature, value('hotFuelTemperature')) : point.temperature;
  return {
    ...point,
    temperature,
    engineTemperature: Math.max(point.engineTemperature, temperature),
    // only a running engine charges
    voltage: has('charging') && point.speed > 0 ? Math.max(point.voltage, value('chargingVoltage')) : point.voltage,
    strainerDirt: has('dirty') ? Math.max(point.strainerDirt, value('dirtyStrainer')) : point.strainerDirt,
    level: has('low') && depth ? Math.min(point.level, reserve / depth) : point.level,
  };
}
