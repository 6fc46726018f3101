import { fuelLiquid, massMultiplier, type Fuel } from '../fluids/fuel.ts';
import type { Aspiration } from '../job/brief.ts';
import { celsius, poundsPerHorsepowerHour } from '../units/quick.ts';

/** Top of the usual band of BSFC on petrol by aspiration, kg/J. Common practice; a visible, editable default. */
export const usualBsfc: Record<Aspiration, number> = {
  natural: poundsPerHorsepowerHour(0.5),
  supercharged: poundsPerHorsepowerHour(0.6),
  turbo: poundsPerHorsepowerHour(0.65),
};

/** Top of the usual band of a diesel, 200 to 245 g/kWh, kg/J. Common practice. */
export const usualDieselBsfc = 0.245 / 3.6e6;

export interface Demand {
  readonly massFlow: number; // kg/s
  readonly volumeFlow: number; // m3/s, at 20 °C
  readonly multiplier: number; // by mass against petrol
  readonly density: number; // kg/m3 at 20 °C
}

/**
 * Fuel that an engine burns at full power: power × BSFC, scaled by mass for ethanol.
 *
 * @param power - W. @param bsfc - kg/J on petrol (on diesel for diesel).
 */
export function fullLoadDemand(power: number, bsfc: number, fuel: Fuel): Demand {
  const multiplier = massMultiplier(fuel);
  const massFlow = power * bsfc * multiplier;
  const { density } = fuelLiquid(fuel, celsius(20));
  return { massFlow, volumeFlow: massFlow / density, multiplier, density };
}
