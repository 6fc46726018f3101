import { z } from 'zod';
import '../schema-words.ts';
import type { Solid } from './solid.ts';

const span = z
  .tuple([z.number(), z.number()])
  .refine(([from, to]) => to > from, 'must run from the smaller to the larger');

/** One part as the file has it. */
const partSchema = z.discriminatedUnion('type', [
  z.object({ name: z.string().max(60), type: z.literal('box'), x: span, y: span, z: span }),
  z
    .object({
      name: z.string().max(60),
      type: z.literal('cylinder'),
      x1: z.number(),
      x2: z.number(),
      yc: z.number(),
      zc: z.number(),
      R: z.number().positive('must be positive'),
    })
    .refine(({ x1, x2 }) => x2 > x1, 'x2 must be larger than x1'),
]);

/** The file of a tank as a sum of parts that do not overlap, such as two lobes of a saddle and their bridge. m. */
export const partedTankSchema = z.object({
  title: z.string().max(200).optional(),
  datum_xy: z.tuple([z.number(), z.number()]).default([0, 0]),
  parts: z.array(partSchema).min(1, 'needs a part').max(50),
  height: z.number().positive().optional(),
});
export type PartedTank = z.infer<typeof partedTankSchema>;

export const partedSolids = ({ parts }: PartedTank): Solid[] =>
  parts.map((part) =>
    part.type === 'box'
      ? { kind: 'box', name: part.name, x: part.x, y: part.y, z: part.z }
      : {
          kind: 'cylinder',
          name: part.name,
          x: [part.x1, part.x2],
          centreY: part.yc,
          centreZ: part.zc,
          radius: part.R,
        },
  );
