import { z } from 'zod';
import type { FieldPath } from '../fields/field-path.ts';
import type { Property } from '../fields/property.ts';
import type { Joint } from '../parts/joint.ts';
import type { Part } from '../parts/kinds.ts';
import type { Stage, TabOf } from './stage.ts';

export type Named = Readonly<Record<string, { readonly name: string }>>;

/** A section of a root: its fields with their names, and the tab of those that do not say their own. */
export interface Group<Tab extends string = string> {
  readonly fields: Readonly<Record<string, Property>>;
  readonly tab?: Tab;
  /** What has an editor of its own rather than a field. */
  readonly special?: Readonly<Record<string, { readonly name: string; readonly tab?: Tab }>>;
}
/** A list of rows: what one row is, and its fields. */
export interface RowList<Tab extends string = string> {
  readonly one: string;
  readonly fields: Readonly<Record<string, Property>>;
  /** Names of what a row holds besides. */
  readonly also?: Named;
  readonly tab?: Tab;
}

/** A job as far as naming its fields goes: parts and joints, and the root itself. */
export interface Held {
  readonly parts: Readonly<Record<string, Part>>;
  readonly joints: Readonly<Record<string, Joint>>;
}

interface Options<S extends Stage, Value> {
  /** The stage that its fields are filled in on, and the tab of those that say none. */
  readonly stage: S;
  readonly tab?: TabOf<S>;
  /** By itself, in words. */
  readonly name: string;
  /** Edits have acts of their own: nothing is set in it by path. */
  readonly hasOwnActs?: true;
  /** Sections by their path below the root, '' for the root itself. */
  readonly groups?: Readonly<Record<string, Group<TabOf<S>>>>;
  /** Lists by their path below the root, '' for the root itself. */
  readonly lists?: Readonly<Record<string, RowList<TabOf<S>>>>;
  /** Other stages that show some of its fields, and on which tab. */
  readonly elsewhere?: { readonly [E in Stage]?: (path: FieldPath) => TabOf<E> };
  /** Whether random edits throw dice at its groups and lists; not where they make edits of their own. */
  readonly isThrownAt?: false;
  /** A field's address in words, where groups and lists do not tell it. */
  say?(job: Held & { readonly [root: string]: unknown }, path: FieldPath, value: Value | undefined): string | undefined;
}
export interface Root<S extends z.ZodType = z.ZodType> {
  readonly schema: S;
  readonly stage: Stage;
  readonly tab?: string;
  readonly name: string;
  readonly hasOwnActs?: true;
  readonly groups: Readonly<Record<string, Group>>;
  readonly lists: Readonly<Record<string, RowList>>;
  readonly elsewhere?: { readonly [E in Stage]?: (path: FieldPath) => string };
  readonly isThrownAt?: false;
  /** Of a collection: an edit is judged by the records that it changed. */
  readonly records?: Records;
  say?(job: Held & { readonly [root: string]: unknown }, path: FieldPath, value: unknown): string | undefined;
}

/** A collection by name: what a name and a record are, and how many there may be. */
interface Records<N extends z.ZodType = z.ZodType, R extends z.ZodType = z.ZodType> {
  readonly names: N;
  readonly of: R;
  readonly most: number;
}

/** A section or collection of the job, registered once: its schema, where its fields stand, what they are called. */
export function defineRoot<Z extends z.ZodType, S extends Stage>(schema: Z, options: Options<S, z.infer<Z>>): Root<Z> {
  return { groups: {}, lists: {}, ...options, schema };
}

/** A collection of the job whose records are judged one by one. */
export function defineRecords<N extends z.ZodString, R extends z.ZodType, S extends Stage>(
  records: Records<N, R>,
  options: Options<S, Record<string, z.infer<R>>>,
): Root<z.ZodRecord<N, R>> {
  const { names, of, most } = records;
  const schema = z
    .record(names, of)
    .refine((held) => Object.keys(held).length <= most, `holds more than ${most} ${options.name}`);
  return { groups: {}, lists: {}, ...options, schema: schema, records };
}
