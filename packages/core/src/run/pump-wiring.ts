import type { PartOf } from '../parts/kinds.ts';
import { settledValue } from '../job/value.ts';
import { wireResistance } from '../wiring/wire.ts';

/** Resistance of a pump's supply, earth and contacts together, ohm; undefined while gauge or length of either is unknown. */
export function pumpWiring(pump: PartOf<'pump'>): number | undefined {
  const { supplyWire, supplyLength, earthWire, earthLength } = pump;
  if (!supplyWire || !supplyLength || !earthWire || !earthLength) return undefined;
  const temperature = settledValue(pump, 'wireTemperature');
  const ohms = (area: number, length: number) => wireResistance(area, length, temperature);
  return ohms(supplyWire.si, supplyLength.si) + ohms(earthWire.si, earthLength.si) + settledValue(pump, 'contacts');
}
