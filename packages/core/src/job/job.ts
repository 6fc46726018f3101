import { CURRENT_SCHEMA_VERSION } from './schema-version.ts';
import { z } from 'zod';
import { jointSchema } from '../parts/joint.ts';
import { partSchema } from '../parts/kinds.ts';
import { assumptionsSchema } from './assumption.ts';
import { ownMaterialsSchema } from '../ratings/material-fuel.ts';
import { bulkheadSchema } from './bulkhead.ts';
import { briefSchema } from './brief.ts';
import { gaugeSchema } from './gauge.ts';
import { graphFaults } from '../parts/graph.ts';
import { hangerSchema } from './hanger.ts';
import { layouts, type LayoutKey } from './layout.ts';
import { lineSchema, textSchema } from '../fields/text.ts';
import { pointsSchema } from './points.ts';
import { idSchema, ownName } from '../fields/property.ts';
import { routesSchema } from './routes.ts';
import { surveySchema } from './survey.ts';
import { harnessSchema } from '../harness/harness.ts';

export const MOST_PARTS = 200;
export const MOST_JOINTS = 400;

/** A fitter's reason for living with a snag. */
export const overruleSchema = z.strictObject({
  reason: textSchema(1000).refine((reason) => reason.trim().length > 2, 'needs a reason in words'),
  at: z.iso.datetime(),
});

/** The snag that an overrule is of. */
export const overruledSchema = ownName(120);

const MOST_ON_BENCH = 500;
/** So many of one thing. */
const benchRowSchema = z.strictObject({ name: lineSchema(200), count: z.number().int().min(0).max(9999) });

const atMost = <S extends z.ZodType>(schema: z.ZodRecord<typeof idSchema, S>, most: number, what: string) =>
  schema.refine((held) => Object.keys(held).length <= most, `holds more than ${most} ${what}`);

/** Every section and collection of a job with its own schema: an act is judged by those that it touches. */
export const jobShape = {
  name: lineSchema(80).refine((name) => name.trim() !== '', 'must not be empty'),
  vehicle: lineSchema(120),
  state: z.enum(['open', 'finished']),
  brief: briefSchema,
  survey: surveySchema,
  layout: z.strictObject({
    key: z.enum(Object.keys(layouts) as [LayoutKey, ...LayoutKey[]]).optional(),
    reason: textSchema(1000).optional(),
    /** Why not the one that Endrel would choose. */
    overrule: textSchema(1000).optional(),
  }),
  /** Parts by id, on the run or set aside. */
  parts: atMost(z.record(idSchema, partSchema), MOST_PARTS, 'parts'),
  /** Joints by id. */
  joints: atMost(z.record(idSchema, jointSchema), MOST_JOINTS, 'joints'),
  /** Absent until the hanger is looked at. */
  hanger: hangerSchema.optional(),
  /** Absent while every operating point is reckoned under the job's usual conditions. */
  points: pointsSchema.optional(),
  /** Absent until the gauge is looked at. */
  gauge: gaugeSchema.optional(),
  /** What lies on the bench for this job, by code; absent until something is laid out. */
  bench: z
    .record(lineSchema(120), benchRowSchema)
    .refine((held) => Object.keys(held).length <= MOST_ON_BENCH, `holds more than ${MOST_ON_BENCH} things`)
    .optional(),
  /** Hose ends that go through one wall; absent until one is told of. */
  bulkhead: bulkheadSchema.optional(),
  /** Where things are under the vehicle, and how lines go; absent until something is measured there. */
  routes: routesSchema.optional(),
  /** The pump circuit beside the run; absent until it is drawn. */
  wiring: harnessSchema.optional(),
  /** What the shop knows better of materials than the table; absent until somebody says so. */
  materials: ownMaterialsSchema.optional(),
  assumptions: assumptionsSchema,
  /** By the snag that is overruled. */
  overrules: z
    .record(overruledSchema, overruleSchema)
    .refine((held) => Object.keys(held).length <= 200, 'holds more than 200 overrules'),
};

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
