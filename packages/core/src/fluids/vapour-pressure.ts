import type { Fuel } from './fuel.ts';
import { fromSi, unitById } from '../units/unit-table.ts';
import { celsius, psi } from '../units/quick.ts';
import { lastWhere } from '../numerics/last-where.ts';

const DISTILLATION_SLOPE = 3; // °F per % at 10 % evaporated, motor gasoline, AP-42 table 7.1

/**
 * True vapour pressure of petrol, Pa absolute. A correlation for hydrocarbon petrol: ethanol blends lie above it.
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

/** True vapour pressure of a fuel, Pa absolute: nil for diesel, the petrol correlation for petrol and its blends. */
export const vapourPressure = (fuel: Fuel, reidVapourPressure: number, temperature: number): number =>
  fuel.family === 'diesel' ? 0 : petrolVapourPressure(reidVapourPressure, temperature);

/** Temperature at which a fuel boils under a pressure, K, between -50 and 150 °C; undefined for diesel, far above use. */
export const boilingTemperature = (fuel: Fuel, reidVapourPressure: number, pressure: number): number | undefined =>
  fuel.family === 'diesel'
    ? undefined
    : lastWhere(celsius(-50), celsius(150), (t) => vapourPressure(fuel, reidVapourPressure, t) < pressure, 1e-6);
