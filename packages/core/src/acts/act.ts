import { z } from 'zod';
import { portNameSchema, portRefSchema, portStateSchema } from '../parts/port.ts';
import { partSchema } from '../parts/kinds.ts';
import { layouts, type LayoutKey } from '../job/layout.ts';
import { idSchema, ownName } from '../fields/property.ts';
import { lineSchema, textSchema } from '../fields/text.ts';

const id = idSchema;
const key = ownName(40);
const title = lineSchema(120);
const pathSchema = z
  .array(z.union([ownName(120), z.number().int().min(0)]))
  .min(1)
  .max(8)
  .readonly();

export const regulatorPlaceSchema = z.enum(['tank', 'beforeRail', 'afterRail']);
export type RegulatorPlace = z.infer<typeof regulatorPlaceSchema>;

/**
 * An edit with a meaning, as plain data: what the browser sends, what the change table holds, what undo and the cures of snags are
 * made of.
 */
export const actSchema = z.discriminatedUnion('act', [
  /** A measurement or choice outside the run, or its removal when `value` is absent. Rows of a list go by their id. */
  z.strictObject({ act: z.literal('set'), path: pathSchema, value: z.unknown().optional() }),
  /** Several such at once, as one edit: wires and fuses in other sizes, a device with all that hangs on it. */
  z.strictObject({
    act: z.literal('setAll'),
    changes: z.array(z.strictObject({ path: pathSchema, value: z.unknown().optional() })).min(1).max(400).readonly(), // prettier-ignore
    title,
  }),
  z.strictObject({ act: z.literal('addRow'), path: pathSchema, row: z.looseObject({ id }) }),
  z.strictObject({ act: z.literal('removeRow'), path: pathSchema, id }),
  z.strictObject({ act: z.literal('setOnPart'), id, key, value: z.unknown().optional() }),
  /** Several measurements at once, as one edit: a line in another size, a pump for another. */
  z.strictObject({
    act: z.literal('setOnParts'),
    changes: z.array(z.strictObject({ id, key, value: z.unknown().optional() })).min(1).max(200).readonly(), // prettier-ignore
    title,
  }),
  z.strictObject({
    act: z.literal('setOnJoints'),
    changes: z.array(z.strictObject({ id, key, value: z.unknown().optional() })).min(1).max(200).readonly(), // prettier-ignore
    title,
  }),
  /** How a line is routed, and how long it is then, as one edit. */
  z.strictObject({
    act: z.literal('routeLine'),
    id,
    changes: z
      .array(z.strictObject({ key, value: z.unknown().optional() }))
      .max(20)
      .readonly(),
    length: z.unknown().optional(),
    title,
  }),
  /** What is known of a port, and what closes it; absent: nothing. */
  z.strictObject({ act: z.literal('setPort'), part: id, port: portNameSchema, state: portStateSchema.optional() }),
  /** Caps or plugs every open port of a part. */
  z.strictObject({ act: z.literal('closePorts'), id, with: z.enum(['capped', 'plugged']) }),
  /** A part of its own, joined to nothing yet. */
  z.strictObject({ act: z.literal('addPart'), part: partSchema }),
  /** A new part goes in between what a joint joins: fuel comes in by one of its ports and leaves by the other. */
  z.strictObject({
    act: z.literal('insertPart'),
    joint: id,
    part: partSchema,
    in: portNameSchema,
    out: portNameSchema,
  }),
  /** Another part of its kind beside one that is there, with the tees or Ys that part and join the line, and what a pump needs besides. */
  z.strictObject({
    act: z.literal('addBeside'),
    id,
    part: partSchema,
    by: z.enum(['tee', 'y']),
    ownPickup: z.boolean().optional(),
    checkValves: z.boolean().optional(),
    isWired: z.boolean().optional(),
  }),
  /** An instrument or a damper on a joint: a tee goes in, and the part onto its branch. */
  z.strictObject({ act: z.literal('tapIn'), joint: id, part: partSchema, port: portNameSchema, tee: id }),
  /** A new part goes onto a free port. */
  z.strictObject({ act: z.literal('attachPart'), to: portRefSchema, part: partSchema, port: portNameSchema }),
  /** Taken out, and what was on either side joined up. */
  z.strictObject({ act: z.literal('takeOut'), id }),
  /** The same, but kept with its measurements. */
  z.strictObject({ act: z.literal('setAside'), id }),
  /** What was set aside, or stands elsewhere on the run, goes in at a joint. */
  z.strictObject({ act: z.literal('movePart'), id, joint: id }),
  /** What was set aside goes onto a free port. */
  z.strictObject({ act: z.literal('takeUp'), id, port: portNameSchema, to: portRefSchema }),
  /** Another part in its place; what fits is kept. */
  z.strictObject({ act: z.literal('swapPart'), id, by: partSchema }),
  z.strictObject({ act: z.literal('turnRound'), id }),
  z.strictObject({ act: z.literal('connect'), a: portRefSchema, b: portRefSchema }),
  z.strictObject({ act: z.literal('disconnect'), joint: id }),
  /** The end of a joint that is on that part goes to another port. */
  z.strictObject({ act: z.literal('moveEnd'), joint: id, part: id, to: portRefSchema }),
  z.strictObject({ act: z.literal('chooseLayout'), key: z.enum(Object.keys(layouts) as [LayoutKey, ...LayoutKey[]]) }),
  /** A bypass regulator goes to another place on the run, and the layout is named after it. */
  z.strictObject({ act: z.literal('moveRegulator'), id, to: regulatorPlaceSchema }),
  z.strictObject({
    act: z.literal('overruleSnag'),
    snag: ownName(120),
    reason: textSchema(1000),
    at: z.iso.datetime(),
  }),
  z.strictObject({ act: z.literal('withdrawOverrule'), snag: ownName(120) }),
  /** Fields as they were before another act: undo, and redo of an undo. Done only where they are as that act left them. */
  z.strictObject({
    act: z.literal('restore'),
    records: z
      .array(
        z.strictObject({
          path: pathSchema,
          value: z.unknown().optional(),
          was: z.unknown().optional(),
          /** A section or list that came to be with what was put into it: it goes once nothing is in it. */
          ifEmpty: z.literal(true).optional(),
        }),
      )
      .min(1)
      .max(1000)
      .readonly(),
    title,
  }),
]);
export type Act = z.infer<typeof actSchema>;
export type ActOf<K extends Act['act']> = Extract<Act, { act: K }>;
