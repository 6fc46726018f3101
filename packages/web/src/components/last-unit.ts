import type { QuantityField } from '@endrel/core/units/field';

/** The unit last written out in a field of this name: the next bare number there is read in it. Kept per browser. */
const key = (field: QuantityField) => `endrel:unit:${field.kind}:${field.name}`;

export const lastUnit = {
  of(field: QuantityField): string | undefined {
    return localStorage.getItem(key(field)) ?? undefined;
  },
  remember(field: QuantityField, unit: string): void {
    if (unit !== 'dash' && unit !== '') localStorage.setItem(key(field), unit);
  },
};
