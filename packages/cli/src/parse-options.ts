import { degrees } from '@endrel/core/units/quick';
import type { QuantityField } from '@endrel/core/units/field';
import { parseQuantity } from '@endrel/core/units/parse-quantity';
import { parseNumber } from '@endrel/core/units/parse-number';
import { BadInput } from './bad-input.ts';

/** A quantity given as an option. @throws BadInput with the sentence that the interface would show. */
export function quantityOption(name: string, text: string, field: QuantityField): number {
  const read = parseQuantity(text, field);
  if (!read.ok) throw new BadInput(`--${name}: ${read.fault.message}`);
  return read.value.si;
}

/**
 * An angle in degrees (`5`, `5deg`, `5°`) or radians (`0.1rad`), in rad.
 *
 * @param below - degrees that it stays under, either way. @param why - what is said of a larger one.
 */
export function angleOption(name: string, text: string, below = 90, why = 'a tank cannot be tilted by that'): number {
  const [, number = '', unit = ''] = /^\s*([+-]?[\d.,]+)\s*(deg|degrees?|°|rad)?\s*$/i.exec(text) ?? [];
  const read = parseNumber(number);
  if (!read.ok) throw new BadInput(`--${name}: “${text}” is not an angle; give it as 5deg or 0.1rad`);
  const angle = unit.toLowerCase() === 'rad' ? read.value.value : degrees(read.value.value);
  if (!(Math.abs(angle) < degrees(below)))
    throw new BadInput(`--${name}: ${text}: ${why}; give less than ${below} degrees`);
  return angle;
}

/** One of a few words. @throws BadInput */
export function oneOf<const V extends string>(name: string, value: string, allowed: readonly V[]): V {
  const found = allowed.find((v) => v === value);
  if (found === undefined) throw new BadInput(`--${name}: “${value}” is not ${allowed.join(' or ')}`);
  return found;
}

/** Negative values of these options are joined to them, since the argument parser takes a leading minus for an option. */
export function joinNegativeValues(args: readonly string[], options: readonly string[]): string[] {
  const joined: string[] = [];
  for (let i = 0; i < args.length; i++) {
    const next = args[i + 1];
    if (
      options.includes(args[i]!.replace(/^--/, '')) &&
      args[i]!.startsWith('--') &&
      next !== undefined &&
      /^-[\d.]/.test(next)
    ) {
      joined.push(`${args[i]}=${next}`);
      i++;
    } else joined.push(args[i]!);
  }
  return joined;
}
