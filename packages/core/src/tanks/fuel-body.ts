import earcut from 'earcut';
import type { FuelPlane } from './fuel-plane.ts';
import type { Mesh, Place } from './mesh.ts';

/** The fuel of one part as triangles to draw: its wetted walls, and its surface. Nine numbers a triangle, m. */
export interface FuelBody {
  readonly walls: Float64Array;
  readonly surface: Float64Array;
}

/** A closed mesh below a plane. */
export function fuelBody({ corners }: Mesh, plane: FuelPlane): FuelBody {
  const walls: number[] = [];
  const edges = new Map<string, { from: Place; next: string }>();
  const key = (p: Place) => p.map((v) => Math.round(v * 1e7)).join();
  const above = (p: Place) => p[2] - (plane.height + plane.slopeX * p[0] + plane.slopeY * p[1]);
  for (let t = 0; t < corners.length; t += 9) {
    const polygon: Place[] = [];
    const cut: Place[] = [];
    for (let i = 0; i < 3; i++) {
      const a = Array.from(corners.subarray(t + 3 * i, t + 3 * i + 3)) as unknown as Place;
      const b = Array.from(corners.subarray(t + 3 * ((i + 1) % 3), t + 3 * ((i + 1) % 3) + 3)) as unknown as Place;
      const [da, db] = [above(a), above(b)];
      if (da < 0) polygon.push(a);
      if (da < 0 !== db < 0) {
        const s = da / (da - db);
        const at: Place = [a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1]), a[2] + s * (b[2] - a[2])];
        polygon.push(at);
        if (da < 0) cut.unshift(at);
        else cut.push(at);
      }
    }
    for (let k = 1; k + 1 < polygon.length; k++) walls.push(...polygon[0]!, ...polygon[k]!, ...polygon[k + 1]!);
    if (cut.length === 2 && key(cut[0]!) !== key(cut[1]!))
      edges.set(key(cut[0]!), { from: cut[0]!, next: key(cut[1]!) });
  }
  return { walls: Float64Array.from(walls), surface: Float64Array.from(loopsOf(edges).flatMap(filled)) };
}

function loopsOf(edges: Map<string, { from: Place; next: string }>): Place[][] {
  const loops: Place[][] = [];
  while (edges.size > 0) {
    const start = edges.keys().next().value!;
    const loop: Place[] = [];
    let at = start;
    for (let edge = edges.get(at); edge; edge = edges.get(at)) {
      loop.push(edge.from);
      edges.delete(at);
      at = edge.next;
    }
    if (at === start && loop.length > 2) loops.push(loop);
  }
  return loops;
}

const filled = (loop: Place[]): number[] => earcut(loop.flatMap(([x, y]) => [x, y])).flatMap((i) => [...loop[i]!]);
