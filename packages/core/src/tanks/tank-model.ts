import { z } from 'zod';
import { boxVolume } from './box-volume.ts';
import { cylinderVolume } from './cylinder-volume.ts';
import type { FuelPlane } from './fuel-plane.ts';
import { meshVolume, type Mesh } from './mesh.ts';

const span = z
  .tuple([z.number(), z.number()])
  .refine(([from, to]) => to > from, 'must run from the smaller to the larger');

/** A part of a tank in its own axes: x forward, y left, z up, m. */
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

/** A tank as a sum of parts that do not overlap, such as two lobes of a saddle and their bridge. */
export const partedTankSchema = z.object({
  title: z.string().max(200).optional(),
  datum_xy: z.tuple([z.number(), z.number()]).default([0, 0]),
  parts: z.array(partSchema).min(1, 'needs a part').max(50),
  height: z.number().positive().optional(),
});
export type PartedTank = z.infer<typeof partedTankSchema>;

export type TankModel = { kind: 'parts'; tank: PartedTank } | { kind: 'mesh'; mesh: Mesh };

/** Volume of each part below a plane, m3. A mesh is one part; one plane cuts all lobes alike. */
export function partVolumes(model: TankModel, plane: FuelPlane): { name: string; volume: number }[] {
  if (model.kind === 'mesh') return [{ name: 'mesh', volume: meshVolume(model.mesh, plane) }];
  return model.tank.parts.map((part) => ({
    name: part.name,
    volume:
      part.type === 'box'
        ? boxVolume(part.x, part.y, part.z, plane)
        : cylinderVolume({ x: [part.x1, part.x2], centreY: part.yc, centreZ: part.zc, radius: part.R }, plane),
  }));
}
