import type { Mesh } from '../meshes/mesh.ts';

/** Height of the lowest wall straight above or below a place in plan, m; undefined outside the tank's footprint. */
export function floorUnder({ corners }: Mesh, x: number, y: number): number | undefined {
  let lowest: number | undefined;
  for (let t = 0; t < corners.length; t += 9) {
    const [ax, ay, az, bx, by, bz, cx, cy, cz] = corners.subarray(t, t + 9) as unknown as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    if (area === 0) continue;
    const u = ((bx - x) * (cy - y) - (cx - x) * (by - y)) / area;
    const v = ((cx - x) * (ay - y) - (ax - x) * (cy - y)) / area;
    const w = 1 - u - v;
    if (u < -EDGE || v < -EDGE || w < -EDGE) continue;
    const z = u * az + v * bz + w * cz;
    if (lowest === undefined || z < lowest) lowest = z;
  }
  return lowest;
}

const EDGE = 1e-9; // a place on an edge belongs to both its triangles
