import { z } from 'zod';
import { assumptionsSchema } from './assumption.ts';
import { briefSchema } from './brief.ts';
import { componentSchema } from './component.ts';
import { gaugeSchema } from './gauge.ts';
import { hangerSchema } from './hanger.ts';
import { layouts, type LayoutKey } from './layout.ts';
import { textSchema } from './measured.ts';
import { pointsSchema } from './points.ts';
import { returnEndProperty } from './return-end.ts';
import { surveySchema } from './survey.ts';

export const CURRENT_SCHEMA_VERSION = 2;

/** Reasons a fitter gave for living with a snag. */
const overruleSchema = z.strictObject({
  snag: z.string().max(120),
  reason: textSchema(1000).refine((reason) => reason.trim().length > 2, 'needs a reason in words'),
  at: z.iso.datetime(),
});

/**
 * The job document: what a person measured, chose or signed, and nothing that can be computed.
 * SI values; an absent property is unknown. Heights are above the tank floor.
 */
export const jobSchema = z
  .strictObject({
    schemaVersion: z.literal(CURRENT_SCHEMA_VERSION),
    name: textSchema(80).refine((name) => name.trim() !== '', 'must not be empty'),
    vehicle: textSchema(120),
    state: z.enum(['open', 'finished']),
    brief: briefSchema,
    survey: surveySchema,
    layout: z.strictObject({
      key: z.enum(Object.keys(layouts) as [LayoutKey, ...LayoutKey[]]).optional(),
      reason: textSchema(1000).optional(),
      /** Why not the one that Endrel would choose. */
      overrule: textSchema(1000).optional(),
    }),
    /** Components in the order in which fuel passes them; the return begins at the bypass regulator. */
    run: z.strictObject({
      supply: z.array(componentSchema).max(60),
      return: z.array(componentSchema).max(40),
      /** Where the return ends; absent means in the tank. */
      returnTo: returnEndProperty.schema.optional(),
      /** Measured parts that the present layout has no place for. */
      spare: z.array(componentSchema).max(60).optional(),
    }),
    /** Absent until the hanger is looked at. */
    hanger: hangerSchema.optional(),
    /** Absent while every operating point is reckoned under the job's usual conditions. */
    points: pointsSchema.optional(),
    /** Absent until the gauge is looked at. */
    gauge: gaugeSchema.optional(),
    assumptions: assumptionsSchema,
    overrules: z.array(overruleSchema).max(200),
  })
  .superRefine((job, context) => {
    const seen = new Set<string>();
    for (const line of ['supply', 'return', 'spare'] as const)
      job.run[line]?.forEach((component, i) => {
        if (seen.has(component.id))
          context.addIssue({
            code: 'custom',
            path: ['run', line, i, 'id'],
            message: `“${component.id}” names two components`,
          });
        seen.add(component.id);
      });
  });
export type Job = z.infer<typeof jobSchema>;
export type Line = 'supply' | 'return';

/** A job with nothing known yet. */
export const blankJob = (name: string, vehicle = ''): Job => ({
  schemaVersion: CURRENT_SCHEMA_VERSION,
  name,
  vehicle,
  state: 'open',
  brief: {},
  survey: { tank: {}, lines: [] },
  layout: {},
  run: { supply: [], return: [] },
  assumptions: {},
  overrules: [],
});
