import type { Liquid } from '../hydraulics/network.ts';
import { celsius } from '../units/quick.ts';
import { lastWhere } from '../numerics/last-where.ts';

/** Properties of one pure fuel at 20 °C and how they move with temperature. */
interface PureFuel {
  readonly density: number; // kg/m3 at 20 °C, typical, from memory
  readonly viscosity: number; // Pa s at 20 °C, typical, from memory
  readonly expansion: number; // 1/K, typical, from memory
  readonly viscosityTemperature: number; // K in exp(B (1/T − 1/T20)), fitted to typical 20 and 50 °C values, from memory
  readonly stoichiometric: number; // kg air per kg fuel, common practice
}

const petrol: PureFuel = {
  density: 745,
  viscosity: 0.53e-3,
  expansion: 9.5e-4,
  viscosityTemperature: 890,
  stoichiometric: 14.7,
};
const ethanol: PureFuel = {
  density: 789,
  viscosity: 1.2e-3,
  expansion: 1.09e-3,
  viscosityTemperature: 1700,
  stoichiometric: 9.0,
};
const diesel: PureFuel = {
  density: 835,
  viscosity: 3.0e-3,
  expansion: 8.3e-4,
  viscosityTemperature: 1985,
  stoichiometric: 14.5,
};

/** A fuel in the tank: petrol with an ethanol share by volume, or diesel. */
export type Fuel = { readonly family: 'petrol'; readonly ethanol: number } | { readonly family: 'diesel' };

const REFERENCE_TEMPERATURE = celsius(20);

const densityAt = (fuel: PureFuel, temperature: number) =>
  fuel.density * (1 - fuel.expansion * (temperature - REFERENCE_TEMPERATURE));
const viscosityAt = (fuel: PureFuel, temperature: number) =>
  fuel.viscosity * Math.exp(fuel.viscosityTemperature * (1 / temperature - 1 / REFERENCE_TEMPERATURE));

/**
 * Density and viscosity of a fuel; blends mix by volume (density ideally, the logarithm of viscosity linearly:
 * Arrhenius' rule).
 *
 * @param temperature - K.
 */
export function fuelLiquid(fuel: Fuel, temperature: number): Liquid {
  if (fuel.family === 'diesel')
    return { density: densityAt(diesel, temperature), viscosity: viscosityAt(diesel, temperature) };
  const x = fuel.ethanol;
  return {
    density: x * densityAt(ethanol, temperature) + (1 - x) * densityAt(petrol, temperature),
    viscosity: viscosityAt(ethanol, temperature) ** x * viscosityAt(petrol, temperature) ** (1 - x),
  };
}

/** Ethanol's share by mass, from its share by volume at 20 °C. */
export const ethanolMassFraction = (volumeShare: number): number =>
  (volumeShare * ethanol.density) / (volumeShare * ethanol.density + (1 - volumeShare) * petrol.density);

/** Stoichiometric air-fuel ratio by mass: blended by mass. */
export function stoichiometricRatio(fuel: Fuel): number {
  if (fuel.family === 'diesel') return diesel.stoichiometric;
  const w = ethanolMassFraction(fuel.ethanol);
  return ethanol.stoichiometric * w + petrol.stoichiometric * (1 - w);
}

/** How much more of it, by mass, the same air needs than of petrol; 1 for diesel, whose BSFC is its own. */
export const massMultiplier = (fuel: Fuel): number =>
  fuel.family === 'diesel' ? 1 : petrol.stoichiometric / stoichiometricRatio(fuel);

/** The same by volume, at 20 °C: what injectors and pumps must pass. */
export const volumeMultiplier = (fuel: Fuel): number =>
  fuel.family === 'diesel'
    ? 1
    : massMultiplier(fuel) * (petrol.density / fuelLiquid(fuel, REFERENCE_TEMPERATURE).density);

const petrolHeat = 2100; // J/(kg K) near 30 °C, typical, from memory
const ethanolHeat = 2440; // the same
const dieselHeat = 2000; // the same

/** Specific heat capacity, J/(kg K): blends by mass. */
export function heatCapacity(fuel: Fuel): number {
  if (fuel.family === 'diesel') return dieselHeat;
  const w = ethanolMassFraction(fuel.ethanol);
  return w * ethanolHeat + (1 - w) * petrolHeat;
}

/** The ethanol share by volume that a volume multiplier fits; undefined for one that no blend has. */
export function ethanolForMultiplier(multiplier: number): number | undefined {
  const at = (ethanol: number) => volumeMultiplier({ family: 'petrol', ethanol });
  if (multiplier < at(0) || multiplier > at(1)) return undefined;
  return lastWhere(0, 1, (ethanol) => at(ethanol) < multiplier);
}
