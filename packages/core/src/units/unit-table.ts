import type { QuantityKind } from './quantity.ts';

/** A unit that people type or read: si = value x factor + offset. */
export interface Unit {
  readonly id: string;
  readonly kind: QuantityKind;
  /** As shown after a number. */
  readonly label: string;
  readonly factor: number;
  readonly offset?: number;
  /** Other spellings, lower case, compared after spaces are taken out. */
  readonly aliases: readonly string[];
  /** Decimals that suit the unit on a workshop reading. */
  readonly decimals: number;
}

// Exact definitions, NIST SP 811 appendix B unless said otherwise.
const METRES_PER_INCH = 0.0254; // international inch, 1959
const KILOGRAMS_PER_POUND = 0.45359237; // international avoirdupois pound
const STANDARD_GRAVITY = 9.80665; // m/s2
const PASCALS_PER_PSI = (KILOGRAMS_PER_POUND * STANDARD_GRAVITY) / METRES_PER_INCH ** 2;
const CUBIC_METRES_PER_US_GALLON = 231 * METRES_PER_INCH ** 3;
const CUBIC_METRES_PER_IMPERIAL_GALLON = 4.54609e-3; // Weights and Measures Act 1985, exact
const WATTS_PER_HORSEPOWER = 550 * 0.3048 * KILOGRAMS_PER_POUND * STANDARD_GRAVITY; // 550 ft lbf/s
const WATTS_PER_METRIC_HORSEPOWER = 75 * STANDARD_GRAVITY; // 75 kgf m/s
const PASCALS_PER_INCH_OF_MERCURY = 3386.389; // NIST SP 811, conventional, 7 digits
const SECONDS_PER_HOUR = 3600;

const unit = (
  kind: QuantityKind,
  id: string,
  factor: number,
  decimals: number,
  aliases: string[] = [],
  more: { label?: string; offset?: number } = {},
): Unit => ({ kind, id, label: more.label ?? id, factor, offset: more.offset, decimals, aliases });

/** Every unit, the SI or customary workshop unit of each kind first: that one is the default. */
export const units: readonly Unit[] = [
  unit('length', 'mm', 1e-3, 1, ['millimetre', 'millimetres', 'millimeter', 'millimeters']),
  unit('length', 'cm', 1e-2, 2, ['centimetre', 'centimetres', 'centimeter', 'centimeters']),
  unit('length', 'm', 1, 3, ['metre', 'metres', 'meter', 'meters']),
  unit('length', 'in', METRES_PER_INCH, 3, ['"', '”', '″', "''", 'inch', 'inches', 'ins']),
  unit('length', 'ft', 12 * METRES_PER_INCH, 3, ["'", '’', '′', 'foot', 'feet']),
  unit('length', 'µm', 1e-6, 0, ['um', 'μm', 'micron', 'microns', 'micrometre', 'micrometer', 'mic']),
  unit('length', 'dash', METRES_PER_INCH / 16, 0, ['an']), // sixteenths of an inch of tube outside diameter

  unit('area', 'mm²', 1e-6, 2, ['mm2', 'sqmm', 'mmsq']),
  unit('area', 'cm²', 1e-4, 3, ['cm2']),
  unit('area', 'in²', METRES_PER_INCH ** 2, 4, ['in2', 'sqin']),

  unit('head', 'm of fuel', 1, 2, ['mfuel'], { label: 'm' }),
  unit('head', 'ft of fuel', 12 * METRES_PER_INCH, 2, ['ftfuel'], { label: 'ft' }),

  unit('pressure', 'kPa', 1e3, 1, ['kilopascal', 'kpag']),
  unit('pressure', 'bar', 1e5, 2, ['bars', 'barg']),
  unit('pressure', 'psi', PASCALS_PER_PSI, 1, ['psig', 'lb/in2', 'lb/in²', 'lbs', 'lbf/in2', 'pounds']),
  unit('pressure', 'MPa', 1e6, 3, ['megapascal']),
  unit('pressure', 'mbar', 100, 0, ['millibar']),
  unit('pressure', 'Pa', 1, 0, ['pascal', 'pascals']),
  unit('pressure', 'inHg', PASCALS_PER_INCH_OF_MERCURY, 1, ['inhg', '"hg', 'inchhg']),

  unit('volumeFlow', 'L/h', 1e-3 / SECONDS_PER_HOUR, 1, [
    'lph',
    'l/hr',
    'l/hour',
    'litre/h',
    'litres/h',
    'ltr/h',
    'litresperhour',
  ]),
  unit('volumeFlow', 'L/min', 1e-3 / 60, 2, ['lpm', 'litre/min', 'litres/min']),
  unit('volumeFlow', 'gal/h', CUBIC_METRES_PER_US_GALLON / SECONDS_PER_HOUR, 1, [
    'gph',
    'usgal/h',
    'gal/hr',
    'gallons/h',
    'usgph',
  ]),
  unit('volumeFlow', 'gal/min', CUBIC_METRES_PER_US_GALLON / 60, 2, ['gpm', 'usgpm']),
  unit('volumeFlow', 'cc/min', 1e-6 / 60, 0, ['ccm', 'cm3/min', 'cm³/min', 'ml/min', 'cc/m']),

  unit('massFlow', 'kg/h', 1 / SECONDS_PER_HOUR, 1, ['kg/hr', 'kgh']),
  unit('massFlow', 'lb/h', KILOGRAMS_PER_POUND / SECONDS_PER_HOUR, 1, ['lb/hr', 'pph', 'lbs/h', 'lbs/hr']),
  unit('massFlow', 'g/s', 1e-3, 2, []),

  unit('power', 'kW', 1e3, 1, ['kilowatt', 'kilowatts']),
  unit('power', 'hp', WATTS_PER_HORSEPOWER, 0, ['bhp', 'horsepower', 'whp']),
  unit('power', 'PS', WATTS_PER_METRIC_HORSEPOWER, 0, ['cv', 'metrichp']),
  unit('power', 'W', 1, 0, ['watt', 'watts']),

  unit('bsfc', 'g/kWh', 1e-3 / 3.6e6, 0, ['g/(kwh)', 'g/kw/h', 'g/(kw·h)', 'g/kw-h'], { label: 'g/kWh' }),
  unit('bsfc', 'lb/(hp·h)', KILOGRAMS_PER_POUND / (WATTS_PER_HORSEPOWER * SECONDS_PER_HOUR), 3, [
    'lb/hph',
    'lb/(hph)',
    'lb/hp/h',
    'lb/hp/hr',
    'lbs/hp/hr',
    'lb/hp-h',
    'lb/hp-hr',
    'lb/(hp*h)',
    'lb/hphr',
    'lb/(hphr)',
    'lb/hp·h',
  ]),

  unit('temperature', '°C', 1, 1, ['c', 'degc', 'celsius'], { offset: 273.15 }),
  unit('temperature', '°F', 5 / 9, 0, ['f', 'degf', 'fahrenheit'], { offset: 459.67 * (5 / 9) }),
  unit('temperature', 'K', 1, 1, ['kelvin']),

  unit('voltage', 'V', 1, 2, ['volt', 'volts', 'vdc']),
  unit('voltage', 'mV', 1e-3, 0, ['millivolt', 'millivolts']),
  unit('current', 'A', 1, 1, ['amp', 'amps', 'ampere', 'amperes']),
  unit('current', 'mA', 1e-3, 0, ['milliamp', 'milliamps']),
  unit('rotation', 'rpm', 1 / 60, 0, ['rev/min', 'r/min', '1/min']),
  unit('resistance', 'Ω', 1, 1, ['ohm', 'ohms', 'ω', 'r']),
  unit('resistance', 'mΩ', 1e-3, 1, ['milliohm', 'milliohms']),
  unit('resistance', 'kΩ', 1e3, 2, ['kohm', 'kohms', 'k']),
  unit('resistance', 'MΩ', 1e6, 2, ['megohm', 'megohms', 'megaohm', 'megaohms']),
  unit('fraction', '%', 0.01, 1, ['percent', 'pct', 'vol%', '%vol']),
  unit('volume', 'L', 1e-3, 1, ['litre', 'litres', 'liter', 'liters', 'ltr']),
  unit('volume', 'gal', CUBIC_METRES_PER_US_GALLON, 2, ['usgal', 'gallon', 'gallons']),
  unit('volume', 'imp gal', CUBIC_METRES_PER_IMPERIAL_GALLON, 2, ['impgal', 'ukgal']),
  unit('volume', 'mL', 1e-6, 0, ['cc', 'cm3', 'cm³', 'millilitre', 'millilitres']),
  unit('velocity', 'm/s', 1, 2, ['mps']),
  unit('velocity', 'ft/s', 12 * METRES_PER_INCH, 2, ['fps']),
  unit('density', 'kg/m³', 1, 0, ['kg/m3', 'g/l']),
  unit('viscosity', 'mPa·s', 1e-3, 2, ['mpas', 'cp', 'mpa.s']),
  unit('time', 's', 1, 1, ['sec', 'second', 'seconds']),
  unit('time', 'min', 60, 1, ['minute', 'minutes']),
  unit('angle', '°', Math.PI / 180, 0, ['deg', 'degree', 'degrees', 'º']),
  unit('angle', 'rad', 1, 3, ['radian', 'radians']),
  unit('time', 'h', 3600, 2, ['hr', 'hour', 'hours']),
  unit('conductance', 'W/K', 1, 1, ['w/k']),
  unit('heatTransfer', 'W/(m²·K)', 1, 1, ['w/m2k', 'w/(m2k)', 'w/m²k', 'w/(m²k)']),
  unit('number', '', 1, 3, []),
];

export const unitsOf = (kind: QuantityKind): readonly Unit[] => units.filter((u) => u.kind === kind);

const byId = new Map(units.map((u) => [u.id, u]));

/** @throws RangeError for an id that is not in the table: a programming fault, schemas check typed ids. */
export function unitById(id: string): Unit {
  const found = byId.get(id);
  if (!found) throw new RangeError(`no unit ${id}`);
  return found;
}

export function defaultUnit(kind: QuantityKind): Unit {
  const found = units.find((u) => u.kind === kind);
  if (!found) throw new RangeError(`no unit for ${kind}`);
  return found;
}

/** Finds a unit by its spelling, for one kind first and then for any, so that a wrong kind can be named. */
export function findUnit(spelling: string, kind: QuantityKind): Unit | undefined {
  // the ohm sign and a small omega are typed for the letter
  const exact = spelling.replace(/\s+/g, '').replace(/[\u2126ω]/g, 'Ω');
  const loose = exact.toLowerCase();
  const matches = (u: Unit) =>
    u.id.replace(/\s+/g, '') === exact || u.id.replace(/\s+/g, '').toLowerCase() === loose || u.aliases.includes(loose);
  const exactCase = units.find((u) => u.kind === kind && u.id.replace(/\s+/g, '') === exact); // MPa is not mPa, MΩ not mΩ
  return exactCase ?? units.find((u) => u.kind === kind && matches(u)) ?? units.find(matches);
}

export const toSi = (value: number, u: Unit): number => value * u.factor + (u.offset ?? 0);
export const fromSi = (si: number, u: Unit): number => (si - (u.offset ?? 0)) / u.factor;
