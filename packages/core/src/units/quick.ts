import { toSi, unitById } from './unit-table.ts';

/** Short constructors from customary units to SI, for tables, demo jobs and tests. */
const from = (id: string) => {
  const unit = unitById(id);
  return (value: number): number => toSi(value, unit);
};
export const litres = from('L');
export const mm = from('mm');
export const inches = from('in');
export const micrometres = from('µm');
export const kPa = from('kPa');
export const bar = from('bar');
export const psi = from('psi');
export const litresPerHour = from('L/h');
export const litresPerMinute = from('L/min');
export const celsius = from('°C');
export const horsepower = from('hp');
export const poundsPerHorsepowerHour = from('lb/(hp·h)');
export const poundsPerHour = from('lb/h');
export const degrees = from('°');
export const revolutionsPerMinute = from('rpm');

/** The other way: an angle as it is said. */
export const toDegrees = (rad: number): number => (rad * 180) / Math.PI;
