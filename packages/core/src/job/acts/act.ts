import { z } from 'zod';
import { componentSchema } from '../component.ts';
import { layouts, type LayoutKey } from '../layout.ts';

const line = z.enum(['supply', 'return']);
const id = z.string().max(40);

/**
 * An edit with a meaning, as plain data: undo, the change table and the cures of snags are made of the same acts.
 */
export const actSchema = z.discriminatedUnion('act', [
  /** A measurement or choice outside the run, or its removal when `value` is absent. */
  z.strictObject({
    act: z.literal('set'),
    path: z
      .array(z.union([z.string(), z.number()]))
      .min(1)
      .max(8)
      .readonly(),
    value: z.unknown(),
  }),
  z.strictObject({ act: z.literal('setOnComponent'), id, key: z.string().max(40), value: z.unknown() }),
  /** Several measurements at once, as one edit: a line in another size, a pump for another. */
  z.strictObject({
    act: z.literal('setOnComponents'),
    changes: z
      .array(z.strictObject({ id, key: z.string().max(40), value: z.unknown() }))
      .min(1)
      .max(200)
      .readonly(),
    title: z.string().max(120),
  }),
  z.strictObject({
    act: z.literal('insertComponent'),
    line,
    index: z.number().int().min(0),
    component: componentSchema,
  }),
  z.strictObject({ act: z.literal('removeComponent'), id }),
  z.strictObject({ act: z.literal('moveComponent'), id, line, index: z.number().int().min(0) }),
  z.strictObject({ act: z.literal('chooseLayout'), key: z.enum(Object.keys(layouts) as [LayoutKey, ...LayoutKey[]]) }),
  z.strictObject({ act: z.literal('capPorts'), id }),
  /** A bypass regulator goes to another place on the run, and the layout is named after it. */
  z.strictObject({ act: z.literal('moveRegulator'), id, to: z.enum(['tank', 'beforeRail', 'afterRail']) }),
  z.strictObject({
    act: z.literal('overruleSnag'),
    snag: z.string().max(120),
    reason: z.string().max(1000),
    at: z.iso.datetime(),
  }),
  z.strictObject({ act: z.literal('withdrawOverrule'), snag: z.string().max(120) }),
]);
export type Act = z.infer<typeof actSchema>;
