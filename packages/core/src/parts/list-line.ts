import type { Measured } from '../fields/measured.ts';
import { dashOf } from '../units/named-sizes.ts';
import type { Say } from '../units/unit-system.ts';

/** Specification in one line, what is unknown left out. */
export const specification = (...facts: (string | undefined | false)[]): string => facts.filter(Boolean).join(', ');

/** A bore or a diameter for the parts counter: the dash size that it was given by stands first. */
export function sizeOf(value: Measured, say: Say): string {
  const dash = dashOf(value);
  return `${dash === undefined ? '' : `−${dash}, `}${say('length', value.si)}`;
}
