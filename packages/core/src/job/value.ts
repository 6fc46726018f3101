import { componentDefinitions, type Component } from './component.ts';
import type { Measured } from './measured.ts';
import type { Property, Source } from './property.ts';

/** A number to compute with, and where it comes from. */
export interface Value {
  readonly si: number;
  readonly source: Source;
}

/** A component's property: as measured, else the visible typical value, else unknown. */
export function valueOf(component: Component, key: string): Value | undefined {
  const measured = (component as unknown as Record<string, Measured | undefined>)[key];
  if (measured !== undefined) return { si: measured.si, source: 'measured' };
  const property = (componentDefinitions[component.kind].properties as Record<string, Property>)[key];
  return property?.type === 'quantity' ? property.typical : undefined;
}

/** The same where the kind of component has a typical value: never unknown. */
export function settledValue(component: Component, key: string): number {
  const value = valueOf(component, key);
  if (!value) throw new RangeError(`${component.kind} has no typical ${key}`);
  return value.si;
}
