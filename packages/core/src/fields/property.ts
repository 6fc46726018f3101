import { z } from 'zod';
import { isInherited } from './names.ts';
import type { QuantityField } from '../units/field.ts';
import type { QuantityKind } from '../units/quantity.ts';
import { measuredSchema, type Measured } from './measured.ts';
import { lineSchema, textSchema } from './text.ts';

/** Where a typical value comes from, as shown to the fitter. */
export type Source =
  | 'standard'
  | 'common practice'
  | 'typical, verify against the part’s data sheet'
  | 'typical, set what this vehicle meets'
  | 'measured'
  | 'chosen'
  | 'computed';
export const TYPICAL: Source = 'typical, verify against the part’s data sheet';
/** Of what no part's data sheet can tell: weather, driving, voltage, how full the tank is. */
export const TYPICAL_CONDITION: Source = 'typical, set what this vehicle meets';

export interface Typical {
  readonly si: number;
  readonly source: Source;
}

interface Base<S extends z.ZodType> {
  readonly name: string;
  readonly schema: S;
  /** How and why to measure it, in one sentence. */
  readonly hint?: string;
  /** The tab of its stage that it stands on; absent: that of its section. */
  readonly tab?: string;
}
/** How a measurement is taken. */
export interface Guide {
  /** Letter that marks it on the sketch. */
  readonly mark: string;
  readonly tool: string;
  readonly where: string;
  /** As close as it has to be read, in SI; two takes that differ by more ask for a third. */
  readonly tolerance: number;
  readonly why: string;
}
export interface QuantityProperty extends Base<z.ZodType<Measured>> {
  readonly type: 'quantity';
  readonly field: QuantityField;
  /** Results wait for it when it is unknown and no typical value stands in. */
  readonly needed: boolean;
  readonly typical?: Typical;
  readonly guide?: Guide;
}
/** What is read on a tape is measured on the vehicle; a part's own sizes are read with calipers or off its sheet. */
export const isReadOnTape = (property: Property | undefined): boolean =>
  property?.type === 'quantity' && property.field.tool === 'tape';

export interface ChoiceProperty<V extends string = string> extends Base<z.ZodType<V>> {
  readonly type: 'choice';
  readonly options: Readonly<Record<V, string>>;
  readonly needed: boolean;
  /** What it means to choose none, where that goes without saying. */
  readonly unsaid?: string;
}
export interface FlagProperty extends Base<z.ZodBoolean> {
  readonly type: 'flag';
}
export interface CountProperty extends Base<z.ZodNumber> {
  readonly type: 'count';
  readonly most: number;
}
export interface TextProperty extends Base<z.ZodType<string>> {
  readonly type: 'text';
  readonly longest: number;
  /** It may run over several lines. */
  readonly isLong: boolean;
}
/** Something with its own editor: a pump table, a port. */
export interface SpecialProperty<S extends z.ZodType> extends Base<S> {
  readonly type: 'pumpTable' | 'port';
}

export type Property =
  QuantityProperty | ChoiceProperty | FlagProperty | CountProperty | TextProperty | SpecialProperty<z.ZodType>;

type QuantityOptions = Partial<Omit<QuantityField, 'kind' | 'name' | 'unit'>> & {
  hint?: string;
  needed?: boolean;
  typical?: Typical;
  guide?: Guide;
};

export function quantity(
  name: string,
  kind: QuantityKind,
  unit: string,
  options: QuantityOptions = {},
): QuantityProperty {
  const { hint, needed = false, typical, guide, ...limits } = options;
  const field: QuantityField = { kind, name, unit, ...limits };
  return { type: 'quantity', name, field, hint, needed, typical, guide, schema: measuredSchema(field) };
}

export function choice<const V extends string>(
  name: string,
  options: Readonly<Record<V, string>>,
  more: { hint?: string; needed?: boolean; unsaid?: string } = {},
): ChoiceProperty<V> {
  const values = Object.keys(options) as [V, ...V[]];
  const schema = z.enum(values, { error: `is not one of ${values.join(', ')}` }) as unknown as z.ZodType<V>;
  return { type: 'choice', name, options, needed: more.needed ?? false, hint: more.hint, unsaid: more.unsaid, schema };
}

/** The options of a choice from a table of things with names. */
export const namesOf = <K extends string>(table: Readonly<Record<K, { readonly name: string }>>): Record<K, string> =>
  Object.fromEntries(Object.entries<{ readonly name: string }>(table).map(([key, row]) => [key, row.name])) as Record<
    K,
    string
  >;

export const flag = (name: string, hint?: string): FlagProperty => ({ type: 'flag', name, hint, schema: z.boolean() });

export const count = (name: string, most: number, hint?: string): CountProperty => ({
  type: 'count',
  name,
  most,
  hint,
  schema: z.number().int(`“${name}” must be a whole number`).min(0, `“${name}” cannot be negative`).max(most),
});

/** Text in one line. */
export const text = (name: string, longest: number, hint?: string): TextProperty => ({
  type: 'text',
  name,
  longest,
  isLong: false,
  hint,
  schema: lineSchema(longest),
});

/** Text of as many lines as it takes. */
export const prose = (name: string, longest: number, hint?: string): TextProperty => ({
  type: 'text',
  name,
  longest,
  isLong: true,
  hint,
  schema: textSchema(longest),
});

type Shape<P extends Record<string, Property>> = { [K in keyof P]: z.ZodOptional<P[K]['schema']> };

/** A name in one line under which something stands in a job. */
export const ownName = (longest: number) =>
  lineSchema(longest).refine((name) => !isInherited(name), 'is a name that no job uses');

/** The name of a part or of a row in a list. */
export const idSchema = z
  .string()
  .regex(/^[a-z0-9-]{1,40}$/, 'must be lower-case letters, digits and dashes')
  .refine((id) => !isInherited(id), 'is a name that no job uses');

/** Says of properties which tab of their stage they stand on; what is not named stands on that of their section. */
export function onTabs<P extends Record<string, Property>>(
  properties: P,
  tabs: Readonly<Record<string, readonly (keyof P)[]>>,
): P {
  const tabOf = new Map(Object.entries(tabs).flatMap(([tab, keys]) => keys.map((key) => [key, tab] as const)));
  const placed = Object.entries(properties).map(([key, p]) => [
    key,
    tabOf.has(key) ? { ...p, tab: tabOf.get(key) } : p,
  ]);
  return Object.fromEntries(placed) as P;
}

/** A row of a list: its properties, and an id by which edits find it again. */
export const rowOf = <P extends Record<string, Property>>(properties: P) =>
  objectOf(properties).extend({ id: idSchema });

/** The strict object of a set of properties, every one optional: an absent property is unknown. */
export function objectOf<P extends Record<string, Property>>(properties: P): z.ZodObject<Shape<P>, z.core.$strict> {
  const shape = Object.fromEntries(Object.entries(properties).map(([key, p]) => [key, p.schema.optional()]));
  return z.strictObject(shape as Shape<P>);
}
