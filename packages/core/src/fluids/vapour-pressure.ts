import { ethanolMassFraction, type Fuel } from './fuel.ts';
import { activities } from './blend-activity.ts';
import { fromSi, unitById } from '../units/unit-table.ts';
import { celsius, kPa, psi } from '../units/quick.ts';
import { lastWhere } from '../numerics/last-where.ts';

const DISTILLATION_SLOPE = 3; // °F per % at 10 % evaporated, motor gasoline, AP-42 table 7.1

/** Temperature at which a Reid vapour pressure is told, K: 100 °F, ASTM D323. */
export const REID_TEMPERATURE = celsius(37.8);

/** What AP-42's correlation was drawn for; outside it a figure is extrapolated. Figure 7.1-14b, from memory. */
export const petrolCorrelation = { coldest: celsius(0), hottest: celsius(60), least: kPa(20), most: kPa(110) } as const;

/**
 * True vapour pressure of petrol, Pa absolute.
 *
 * @param reidVapourPressure - Pa, 20 to 110 kPa. @param temperature - K.
 * @see US EPA AP-42 section 7.1, figure 7.1-14b; from memory.
 */
export function petrolVapourPressure(reidVapourPressure: number, temperature: number): number {
  const rankine = fromSi(temperature, unitById('°F')) + 459.6;
  const logReid = Math.log10(fromSi(reidVapourPressure, unitById('psi')));
  const root = Math.sqrt(DISTILLATION_SLOPE);
  return psi(
    Math.exp(
      (0.7553 - 413 / rankine) * root * logReid -
        (1.854 - 1042 / rankine) * root +
        (2416 / rankine - 2.013) * logReid -
        8742 / rankine +
        15.64,
    ),
  );
}

const MILLIMETRE_OF_MERCURY = 133.322387415; // Pa, NIST SP 811
const ETHANOL_HOTTEST = celsius(80); // to which its constants were fitted, from memory

/**
 * Vapour pressure of ethanol alone, Pa absolute, by Antoine's equation.
 *
 * @see Gmehling & Onken, Vapor-Liquid Equilibrium Data Collection, DECHEMA 1977: 8.20417, 1642.89, 230.300 for mmHg and °C,
 * −57 to 80 °C; from memory.
 */
export const ethanolVapourPressure = (temperature: number): number =>
  MILLIMETRE_OF_MERCURY * 10 ** (8.20417 - 1642.89 / (temperature - celsius(0) + 230.3));

/**
 * True vapour pressure of a fuel, Pa absolute: nil for diesel; petrol by AP-42, ethanol by Antoine, a blend of the two by
 * what each still presses out of it.
 *
 * @param reid - of the petrol in it, Pa: see `petrolReid`. @param temperature - K.
 */
export function vapourPressure(fuel: Fuel, reid: number, temperature: number): number {
  if (fuel.family === 'diesel') return 0;
  const { ethanol, petrol } = activities(ethanolMassFraction(fuel.ethanol));
  return (
    (ethanol > 0 ? ethanol * ethanolVapourPressure(temperature) : 0) +
    (petrol > 0 ? petrol * petrolVapourPressure(reid, temperature) : 0)
  );
}

/** A figure at this temperature is beyond what the correlations were drawn for. */
export function isVapourExtrapolated(fuel: Fuel, temperature: number): boolean {
  if (fuel.family === 'diesel') return false;
  if (fuel.ethanol === 1) return temperature > ETHANOL_HOTTEST;
  return temperature < petrolCorrelation.coldest || temperature > petrolCorrelation.hottest;
}

/** Temperature at which a fuel boils under a pressure, K, between -50 and 150 °C; undefined for diesel, far above use. */
export const boilingTemperature = (fuel: Fuel, reid: number, pressure: number): number | undefined =>
  fuel.family === 'diesel'
    ? undefined
    : lastWhere(celsius(-50), celsius(150), (t) => vapourPressure(fuel, reid, t) < pressure, 1e-6);

/** Reid vapour pressure of a blend, Pa: the pressure of its true vapour scaled as its petrol's Reid figure is to its own. */
export function blendReid(fuel: Fuel, reid: number): number {
  const scale = reid / petrolVapourPressure(reid, REID_TEMPERATURE);
  return vapourPressure(fuel, reid, REID_TEMPERATURE) * scale;
}

/**
 * Reid vapour pressure of the petrol that makes a blend of this Reid vapour pressure, Pa; undefined where none from 20 to
 * 110 kPa does: neat ethanol has its own, and little petrol cannot make much.
 */
export function petrolReid(fuel: Fuel, asSold: number): number | undefined {
  if (fuel.family === 'diesel' || fuel.ethanol === 0) return asSold;
  const { least, most } = petrolCorrelation;
  // the same blend is asked for at every temperature of a job
  if (last.ethanol === fuel.ethanol && last.asSold === asSold) return last.reid;
  last = { ethanol: fuel.ethanol, asSold, reid: search(fuel, asSold, least, most) };
  return last.reid;
}

let last: { ethanol: number; asSold: number; reid: number | undefined } = {
  ethanol: NaN,
  asSold: NaN,
  reid: undefined,
};

function search(fuel: Fuel & { family: 'petrol' }, asSold: number, least: number, most: number): number | undefined {
  if (fuel.ethanol === 1 || blendReid(fuel, least) > asSold || blendReid(fuel, most) < asSold) return undefined;
  return lastWhere(least, most, (reid) => blendReid(fuel, reid) < asSold, 1e-3);
}

/** Where a fuel's vapour pressure comes from, in words. */
export const vapourSource = (fuel: Fuel): string =>
  fuel.family === 'diesel'
    ? 'nil for diesel'
    : fuel.ethanol === 0
      ? 'EPA AP-42 7.1'
      : fuel.ethanol === 1
        ? 'Antoine’s equation of ethanol'
        : 'EPA AP-42 7.1 and Antoine’s equation of ethanol, blended by Wilson’s';

/**
 * Pressure in a tank that was closed at one temperature and is at another, Pa above the atmosphere: its air grows with the
 * temperature, the fuel's vapour beside it by its own law (Dalton). The ullage counts as fixed.
 */
export function sealedPressure(
  fuel: Fuel,
  reid: number,
  closedAt: number,
  temperature: number,
  atmosphere: number,
): number {
  const air = Math.max(0, atmosphere - vapourPressure(fuel, reid, closedAt));
  return (air * temperature) / closedAt + vapourPressure(fuel, reid, temperature) - atmosphere;
}
