import type { QuantityField } from '@endrel/core/units/field';

/** The unit in which each kind of field was last measured: the next bare number is read in it. Kept per browser. */
const key = (field: QuantityField) => `endrel:unit:${field.kind}:${field.unit}`;

export const lastUnit = {
  of(field: QuantityField): string | undefined {
    return localStorage.getItem(key(field)) ?? undefined;
  },
  remember(field: QuantityField, unit: string): void {
    if (unit !== 'dash' && unit !== '') localStorage.setItem(key(field), unit);
  },
};
