import type { QuantityField } from './field.ts';
import { formatIn, formatQuantity } from './format-quantity.ts';
import type { Figure, QuantityKind } from './quantity.ts';
import { defaultUnit, unitById } from './unit-table.ts';

/** In which units results are shown and bare numbers are read. What a person measured keeps the unit it was measured in. */
export const unitSystems = ['metric', 'imperial'] as const;
export type UnitSystem = (typeof unitSystems)[number];

/** Where inch people use another unit than the kind's own; the rest is the same for both. */
const imperial: Partial<Record<QuantityKind, string>> = {
  pressure: 'psi',
  length: 'in',
  head: 'ft of fuel',
  volumeFlow: 'gal/h',
  massFlow: 'lb/h',
  power: 'hp',
  bsfc: 'lb/(hp·h)',
  temperature: '°F',
  volume: 'gal',
  velocity: 'ft/s',
};
const imperialUnits = new Set([...Object.values(imperial), 'ft']);

/** The unit of a kind in a system, where that is not the kind's own. */
export const unitOfKind = (system: UnitSystem, kind: QuantityKind): string | undefined =>
  system === 'imperial' ? imperial[kind] : undefined;

/** The unit that a bare number gets in a field: the chosen system's, in the size that the field is measured in. */
export function bareUnit(field: QuantityField, system: UnitSystem): string {
  const { kind, unit } = field;
  if (system === 'metric') return imperialUnits.has(unit) ? defaultUnit(kind).id : unit;
  if (kind === 'length') return unit === 'm' ? 'ft' : unit === 'µm' ? unit : 'in'; // a mesh is in micrometres everywhere
  return imperial[kind] ?? unit;
}

/** Says figures in one system of units, the same unit for the same kind throughout. */
export interface Say {
  (kind: QuantityKind, si: number): string;
  /** A length as it is read on a tape or rule: for inch people a fraction. */
  tape(si: number): string;
  /** A length of line, as it is bought: in metres or feet. */
  line(si: number): string;
  figure(figure: Figure): string;
}

export function sayIn(system: UnitSystem): Say {
  const unitOf = (kind: QuantityKind) => unitOfKind(system, kind);
  const say = (kind: QuantityKind, si: number) => formatQuantity(kind, si, unitOf(kind));
  const tape = (si: number) =>
    system === 'imperial' ? formatIn(si, unitById('in'), 'tape') : formatQuantity('length', si);
  return Object.assign(say, {
    tape,
    line: (si: number) => formatQuantity('length', si, system === 'imperial' ? 'ft' : 'm'),
    figure: (f: Figure) => (f.tool === 'tape' ? tape(f.si) : say(f.kind, f.si)),
  });
}
