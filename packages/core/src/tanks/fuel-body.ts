import earcut from 'earcut';
import type { FuelPlane } from '../meshes/fuel-plane.ts';
import type { Mesh, Place } from '../meshes/mesh.ts';
import { planeCut } from './plane-cut.ts';

/** The fuel of one part as triangles to draw: its wetted walls, and its surface. Nine numbers a triangle, m. */
export interface FuelBody {
  readonly walls: Float64Array;
  readonly surface: Float64Array;
}

/** A closed mesh below a plane. */
export function fuelBody(mesh: Mesh, plane: FuelPlane): FuelBody {
  const above = (x: number, y: number, z: number) => z - (plane.height + plane.slopeX * x + plane.slopeY * y);
  const { corners } = mesh;
  const walls: number[] = [];
  for (let t = 0; t < corners.length; t += 9) {
    const polygon: Place[] = [];
    for (let i = 0; i < 3; i++) {
      const [a, b] = [t + 3 * i, t + 3 * ((i + 1) % 3)].map((k) => corners.subarray(k, k + 3) as unknown as Place) as [
        Place,
        Place,
      ];
      const [da, db] = [above(...a), above(...b)];
      if (da < 0) polygon.push([a[0], a[1], a[2]]);
      if (da < 0 === db < 0) continue;
      const s = da / (da - db);
      polygon.push([a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1]), a[2] + s * (b[2] - a[2])]);
    }
    for (let k = 1; k + 1 < polygon.length; k++) walls.push(...polygon[0]!, ...polygon[k]!, ...polygon[k + 1]!);
  }
  const filled = (loop: Place[]) => earcut(loop.flatMap(([x, y]) => [x, y])).flatMap((i) => [...loop[i]!]);
  return { walls: Float64Array.from(walls), surface: Float64Array.from(planeCut(mesh, above).flatMap(filled)) };
}
