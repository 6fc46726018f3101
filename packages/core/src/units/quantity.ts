/**
 * What kind of thing a number measures. Inside the core every number is in the SI unit of its kind;
 * other units exist only where a person types or reads.
 */
export const quantityKinds = [
  'length', // m
  'area', // m2
  'head', // m of the fuel itself
  'pressure', // Pa, gauge unless a name says absolute
  'volumeFlow', // m3/s
  'massFlow', // kg/s
  'power', // W
  'bsfc', // kg/J, brake-specific fuel consumption
  'temperature', // K
  'voltage', // V
  'current', // A
  'resistance', // ohm
  'fraction', // 1
  'volume', // m3
  'velocity', // m/s
  'density', // kg/m3
  'viscosity', // Pa s
  'time', // s
  'rotation', // rev/s
  'angle', // rad
  'conductance', // W/K, heat passed on per kelvin
  'heatTransfer', // W/(m2 K)
  'number', // 1, for dimensionless figures such as Reynolds or K
] as const;
export type QuantityKind = (typeof quantityKinds)[number];

/** What a length is measured or cut with. */
export type Tool = 'tape' | 'calipers';

/** A number in SI with its kind, for working and display. */
export interface Figure {
  readonly kind: QuantityKind;
  readonly si: number;
  /** A length that is cut or read on a tape. */
  readonly tool?: Tool;
}
export const figure = (kind: QuantityKind, si: number): Figure => ({ kind, si });
