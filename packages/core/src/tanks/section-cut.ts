import type { Mesh } from '../meshes/mesh.ts';
import { planeCut } from './plane-cut.ts';

/** A closed line in a cut: along the cut and up, m. */
export type Loop = readonly (readonly [along: number, up: number])[];

/**
 * Outlines of a closed mesh cut by an upright plane.
 *
 * @param axis - 0: the plane stands across x at `place` and shows y against z; 1: across y, and shows x against z.
 */
export function sectionCut(mesh: Mesh, axis: 0 | 1, place: number): Loop[] {
  const other = axis === 0 ? 1 : 0;
  return planeCut(mesh, (x, y) => (axis === 0 ? x : y) - place).map((loop) =>
    loop.map((p) => [p[other], p[2]] as const),
  );
}
