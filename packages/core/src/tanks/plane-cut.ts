import type { Mesh, Place } from '../meshes/mesh.ts';

/**
 * Closed outlines in which a plane cuts a closed mesh.
 *
 * Points are told apart by the mesh's edge that they lie on, not by their rounded place. A corner on the plane counts as
 * above it, so that each triangle is cut in two points or none.
 *
 * @param above - signed distance of a place from the plane, linear.
 * @returns loops with what lies below on one hand throughout; edges that meet nothing, as in a damaged mesh, are left out.
 */
export function planeCut({ corners }: Mesh, above: (x: number, y: number, z: number) => number): Place[][] {
  const next = new Map<string, { at: Place; to: string }>();
  const corner = (i: number) => `${corners[i]},${corners[i + 1]},${corners[i + 2]}`;
  for (let t = 0; t < corners.length; t += 9) {
    const d0 = above(corners[t]!, corners[t + 1]!, corners[t + 2]!);
    const d1 = above(corners[t + 3]!, corners[t + 4]!, corners[t + 5]!);
    const d2 = above(corners[t + 6]!, corners[t + 7]!, corners[t + 8]!);
    if (d0 < 0 === d1 < 0 && d1 < 0 === d2 < 0) continue; // most triangles: nothing is made for them
    const d = [d0, d1, d2];
    const ends: { at: Place; edge: string; rising: boolean }[] = [];
    for (let i = 0; i < 3; i++) {
      const j = (i + 1) % 3;
      const [da, db] = [d[i]!, d[j]!];
      if (da < 0 === db < 0) continue;
      const [a, b] = [t + 3 * i, t + 3 * j];
      const s = da / (da - db);
      const [ka, kb] = [corner(a), corner(b)];
      ends.push({
        at: [0, 1, 2].map((k) => corners[a + k]! + s * (corners[b + k]! - corners[a + k]!)) as unknown as Place,
        edge: ka < kb ? `${ka};${kb}` : `${kb};${ka}`,
        rising: da < 0,
      });
    }
    if (ends.length !== 2) continue;
    const [from, to] = ends[0]!.rising ? [ends[1]!, ends[0]!] : [ends[0]!, ends[1]!];
    next.set(from.edge, { at: from.at, to: to.edge });
  }
  const loops: Place[][] = [];
  while (next.size > 0) {
    const start = next.keys().next().value!;
    const loop: Place[] = [];
    let edge = start;
    for (let step = next.get(edge); step; step = next.get(edge)) {
      loop.push(step.at);
      next.delete(edge);
      edge = step.to;
    }
    if (edge === start && loop.length > 2) loops.push(loop);
  }
  return loops;
}
