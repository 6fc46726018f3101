import { z } from 'zod';
import { lineSchema, textSchema } from '../../fields/text.ts';
import { defineRoot } from '../define-root.ts';
import { layouts, type LayoutKey } from '../layout.ts';

/** Roots of a field or two. */
export const name = defineRoot(
  lineSchema(80).refine((text) => text.trim() !== '', 'must not be empty'),
  { stage: 'brief', tab: 'engine', name: 'name of the job' },
);

export const vehicle = defineRoot(lineSchema(120), { stage: 'brief', tab: 'engine', name: 'vehicle' });

export const state = defineRoot(z.enum(['open', 'finished']), {
  stage: 'brief',
  tab: 'engine',
  name: 'state of the job',
});

export const layout = defineRoot(
  z.strictObject({
    key: z.enum(Object.keys(layouts) as [LayoutKey, ...LayoutKey[]]).optional(),
    reason: textSchema(1000).optional(),
    /** Why not the one that Endrel would choose. */
    overrule: textSchema(1000).optional(),
  }),
  { stage: 'layout', name: 'layout' },
);

const MOST_ON_BENCH = 500;
/** So many of one thing. */
const benchRowSchema = z.strictObject({ name: lineSchema(200), count: z.number().int().min(0).max(9999) });

/** What lies on the bench for this job, by code; absent until something is laid out. */
export const bench = defineRoot(
  z
    .record(lineSchema(120), benchRowSchema)
    .refine((held) => Object.keys(held).length <= MOST_ON_BENCH, `holds more than ${MOST_ON_BENCH} things`)
    .optional(),
  {
    stage: 'joints',
    tab: 'bench',
    name: 'bench',
    say: (_job, [, id], value) => (id === undefined ? undefined : `“${value?.[id]?.name ?? String(id)}” on the bench`),
  },
);
