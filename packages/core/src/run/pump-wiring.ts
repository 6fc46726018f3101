import type { PartOf } from '../parts/kinds.ts';
import { settledValue } from '../job/value.ts';
import { gaugeArea, wireResistance } from '../wiring/wire.ts';

/** Resistance of a pump's supply, earth and contacts together, ohm; undefined while gauge or length of either is unknown. */
export function pumpWiring(pump: PartOf<'pump'>): number | undefined {
  const { supplyWire, supplyLength, earthWire, earthLength } = pump;
  if (!supplyWire || !supplyLength || !earthWire || !earthLength) return undefined;
  const temperature = settledValue(pump, 'wireTemperature');
  const ohms = (gauge: string, length: number) =>
    wireResistance(gaugeArea(Number(gauge.slice(3))), length, temperature);
  return ohms(supplyWire, supplyLength.si) + ohms(earthWire, earthLength.si) + settledValue(pump, 'contacts');
}
