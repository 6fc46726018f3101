import { partKinds, type Part } from './kinds.ts';
import type { Measured } from '../fields/measured.ts';
import type { Property, Source } from '../fields/property.ts';

/** A number to compute with, and where it comes from. */
export interface Value {
  readonly si: number;
  readonly source: Source;
}

/** A part's property: as measured, else the visible typical value, else unknown. */
export function valueOf(part: Part, key: string): Value | undefined {
  const measured = (part as unknown as Record<string, Measured | undefined>)[key];
  if (measured !== undefined) return { si: measured.si, source: 'measured' };
  const property = (partKinds[part.kind].properties as Record<string, Property>)[key];
  return property?.type === 'quantity' ? property.typical : undefined;
}

/** The same where the kind of part has a typical value: never unknown. */
export function settledValue(part: Part, key: string): number {
  const value = valueOf(part, key);
  if (!value) throw new RangeError(`${part.kind} has no typical ${key}`);
  return value.si;
}
