import { z } from 'zod';
import { graphFaults } from '../parts/graph.ts';
import { roots } from './roots.ts';
import { CURRENT_SCHEMA_VERSION } from './schema-version.ts';

type Shape = { readonly [K in keyof typeof roots]: (typeof roots)[K]['schema'] };
/** Every section and collection of a job with its own schema: an act is judged by those that it touches. */
export const jobShape = Object.fromEntries(
  Object.entries(roots).map(([key, root]) => [key, root.schema]),
) as unknown as Shape;

/**
 * The job document: what a person measured, chose or signed, and nothing that can be computed.
 * SI values; an absent property is unknown. Heights are above the tank floor.
 */
export const jobSchema = z
  .strictObject({ schemaVersion: z.literal(CURRENT_SCHEMA_VERSION), ...jobShape })
  .superRefine((job, context) => {
    for (const { path, message } of graphFaults(job)) context.addIssue({ code: 'custom', path, message });
  });
export type Job = z.infer<typeof jobSchema>;

/** A job with nothing known yet. */
export const blankJob = (name: string, vehicle = ''): Job => ({
  schemaVersion: CURRENT_SCHEMA_VERSION,
  name,
  vehicle,
  state: 'open',
  brief: {},
  survey: { tank: {}, lines: [] },
  layout: {},
  parts: {},
  joints: {},
  assumptions: {},
  overrules: {},
});
