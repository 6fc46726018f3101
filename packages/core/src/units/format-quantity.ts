import { tapeText } from './inch-fraction.ts';
import type { Figure, QuantityKind, Tool } from './quantity.ts';
import { defaultUnit, fromSi, unitById, type Unit } from './unit-table.ts';

const MINUS = '−';

/** A number with a true minus sign and no more digits than the unit deserves. */
export function formatNumber(value: number, decimals: number): string {
  if (!Number.isFinite(value)) return '–';
  const text = value.toFixed(decimals);
  const trimmed = text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;
  const clean = trimmed === '-0' ? '0' : trimmed;
  return clean.replace('-', MINUS);
}

/** Decimals that keep about three significant figures, as far as the unit resolves them. */
function decimalsFor(value: number, unit: Unit): number {
  const size = Math.abs(value);
  if (size === 0 || size >= 100) return Math.min(unit.decimals, 1);
  if (size >= 10) return Math.max(unit.decimals, 1);
  if (size >= 1) return Math.max(unit.decimals, 2);
  return Math.min(unit.decimals + 1, 2 - Math.floor(Math.log10(size))); // below the unit's own resolution there is nothing to read
}

/** @param tool - a length on a tape is said as a fraction of an inch. */
export function formatIn(si: number, unit: Unit, tool?: Tool): string {
  if (unit.id === 'in' && tool === 'tape') return `${tapeText(fromSi(si, unit))} in`;
  if (unit.id === 'dash') return `${MINUS}${formatNumber(fromSi(si, unit), 0)}`;
  const value = fromSi(si, unit);
  const number = formatNumber(value, decimalsFor(value, unit));
  return unit.label === ''
    ? number
    : unit.label === '°'
      ? `${number}°`
      : unit.label === '%'
        ? `${number} %`
        : `${number} ${unit.label}`;
}

const FINEST_IN_MILLIMETRES = 5e-4; // m; below it a length is a mesh or a roughness, and those are in micrometres

const [LEAST_IN_OHMS, MOST_IN_OHMS] = [0.1, 10_000]; // of wires and contacts; of insulation
const LONGEST_IN_SECONDS = 180; // s; beyond it nobody counts seconds

/** The unit in which a reading of this size is best said, where that is not the kind's own. */
function unitForSize(kind: QuantityKind, size: number): string | undefined {
  if (kind === 'length' && size !== 0 && size < FINEST_IN_MILLIMETRES) return 'µm';
  if (kind === 'time' && size > LONGEST_IN_SECONDS) return 'min';
  if (kind === 'resistance' && size !== 0 && size < LEAST_IN_OHMS) return 'mΩ';
  if (kind === 'resistance' && size >= MOST_IN_OHMS) return 'kΩ';
  return kind === 'power' && size < 1000 ? 'W' : undefined;
}

/** `si` of this kind as text, in the named unit or the kind's own; very short lengths, long times and small powers in theirs. */
export function formatQuantity(kind: QuantityKind, si: number, unitId?: string): string {
  const bySize = unitForSize(kind, Math.abs(si));
  const chosen = bySize === 'µm' ? bySize : (unitId ?? bySize);
  return formatIn(si, chosen ? unitById(chosen) : defaultUnit(kind));
}

export const formatFigure = (f: Figure, unitId?: string): string => formatQuantity(f.kind, f.si, unitId);

/** The customary partner in which a reading is echoed: metric for imperial and the other way round. */
const partners: Record<string, string> = {
  mm: 'in',
  cm: 'in',
  m: 'ft',
  in: 'mm',
  ft: 'm',
  dash: 'mm',
  'in²': 'mm²',
  'cm²': 'in²',
  kPa: 'psi',
  bar: 'psi',
  psi: 'kPa',
  MPa: 'psi',
  mbar: 'psi',
  Pa: 'psi',
  inHg: 'kPa',
  'L/h': 'gal/h',
  'L/min': 'L/h',
  'gal/h': 'L/h',
  'gal/min': 'L/h',
  'cc/min': 'L/h',
  'kg/h': 'lb/h',
  'lb/h': 'kg/h',
  'g/s': 'kg/h',
  kW: 'hp',
  hp: 'kW',
  PS: 'kW',
  W: 'hp',
  'g/kWh': 'lb/(hp·h)',
  'lb/(hp·h)': 'g/kWh',
  '°C': '°F',
  '°F': '°C',
  K: '°C',
  L: 'gal',
  gal: 'L',
  'imp gal': 'L',
  mL: 'L',
  'm/s': 'ft/s',
  'ft/s': 'm/s',
  mV: 'V',
  mA: 'A',
  kΩ: 'Ω',
  min: 's',
  rad: '°',
};
export function partnerUnit(unit: Unit): Unit | undefined {
  const id = partners[unit.id];
  return id === undefined ? undefined : unitById(id);
}
