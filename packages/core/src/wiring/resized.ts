import type { FieldPath } from '../fields/field-path.ts';
import { measured } from '../fields/measured.ts';
import { conductor } from '../units/wire-gauge.ts';
import { protects } from '../harness/devices/index.ts';
import type { Harness } from '../harness/harness.ts';
import type { SizeChange } from './sizes.ts';

/** A harness with other wires and fuses. */
export function resized(harness: Harness, changes: readonly SizeChange[]): Harness {
  const by = new Map(changes.map((c) => [c.id, c]));
  return {
    ...harness,
    devices: (harness.devices ?? []).map((d) => {
      const change = by.get(d.id);
      return change?.kind === 'fuse' && protects(d) ? { ...d, rating: measured(change.amps, 'A') } : d;
    }),
    wires: (harness.wires ?? []).map((w) => {
      const change = by.get(w.id);
      return change?.kind === 'wire' ? { ...w, area: conductor(change.awg) } : w;
    }),
  };
}

/** The same as fields of the job to set. */
export const sizeFields = (changes: readonly SizeChange[]): { path: FieldPath; value: unknown }[] =>
  changes.map((c) =>
    c.kind === 'fuse'
      ? { path: ['wiring', 'devices', c.id, 'rating'], value: measured(c.amps, 'A') }
      : { path: ['wiring', 'wires', c.id, 'area'], value: conductor(c.awg) },
  );
