import { z } from 'zod';
import type { FieldPath } from '../fields/field-path.ts';
import type { Job } from '../job/job.ts';

/** What a kind of act says of itself; everything that must know of it asks here. */
export interface ActBehaviour<A> {
  /** The job after it: the old one is untouched, and what did not change is shared with it. @throws ActRefused where it cannot be done. */
  apply(job: Job, act: A): Job;
  /** The edit in a few words, for undo and the change table. */
  describe(job: Job, act: A): string;
  /**
   * Whether the job is so already: a cure that would do nothing is not offered. Absent for what moves parts about, which is only
   * offered where they stand otherwise.
   */
  isInPlace?(job: Job, act: A): boolean;
  /** The field that it fills in and what with, where it is one field. */
  fills?(act: A): { readonly path: FieldPath; readonly value: unknown };
  /** What it wrote, as fields with what stood there before, where the act alone says so: to mend a document that reads no more. */
  wrote?(act: A): readonly { readonly path: FieldPath; readonly was?: unknown }[];
}

export interface ActKind<K extends string, Shape extends z.ZodRawShape> extends ActBehaviour<ActRecord<K, Shape>> {
  readonly schema: z.ZodObject<{ act: z.ZodLiteral<K> } & Shape, z.core.$strict>;
}
export type ActRecord<K extends string, Shape extends z.ZodRawShape> = z.infer<
  z.ZodObject<{ act: z.ZodLiteral<K> } & Shape, z.core.$strict>
>;

/** An edit with a meaning, as plain data, with what it does: one kind a file, and one line in `act.ts`. */
export function defineAct<const K extends string, Shape extends z.ZodRawShape>(
  act: K,
  shape: Shape,
  behaviour: ActBehaviour<ActRecord<K, Shape>>,
): ActKind<K, Shape> {
  const schema = z.strictObject({ act: z.literal(act), ...shape }) as unknown as ActKind<K, Shape>['schema'];
  return { schema, ...behaviour };
}
