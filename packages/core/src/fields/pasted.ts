import { parseQuantity } from '../units/parse-quantity.ts';
import type { Property } from './property.ts';

/** What a cell of a spreadsheet says for a property: a value, nothing (the field is cleared), or why it cannot be read. */
export type PastedCell = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly why: string };

/** @param bareUnit - in which a bare number is read. */
export function readPasted(property: Property, text: string, bareUnit: string): PastedCell {
  const said = text.trim();
  if (said === '') return { ok: true, value: undefined };
  switch (property.type) {
    case 'quantity': {
      const read = parseQuantity(said, property.field, bareUnit);
      if (!read.ok) return { ok: false, why: read.fault.message };
      const { si, unit, typed, error } = read.value;
      return { ok: true, value: { si, unit, typed, ...(error === undefined ? {} : { error }) } };
    }
    case 'choice': {
      const found = Object.entries<string>(property.options).find(
        ([key, name]) => key.toLowerCase() === said.toLowerCase() || name.toLowerCase() === said.toLowerCase(),
      );
      return found
        ? { ok: true, value: found[0] }
        : { ok: false, why: `“${said}” is none of ${Object.values<string>(property.options).join(', ')}` };
    }
    case 'flag':
      return /^(yes|no)$/i.test(said)
        ? { ok: true, value: said.toLowerCase() === 'yes' }
        : { ok: false, why: `“${said}” is neither yes nor no` };
    default: {
      const value = property.type === 'count' ? Number(said) : said;
      const read = property.schema.safeParse(value);
      return read.success ? { ok: true, value } : { ok: false, why: read.error.issues[0]!.message };
    }
  }
}
