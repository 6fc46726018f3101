import type { Mesh } from './mesh.ts';

/** A closed line in a cut: along the cut and up, m. */
export type Loop = readonly (readonly [along: number, up: number])[];

const SAME = 1e-7; // m: ends nearer than this are one point

/**
 * Outlines of a closed mesh cut by an upright plane.
 *
 * @param axis - 0: the plane stands across x at `place` and shows y against z; 1: across y, and shows x against z.
 * @returns closed loops; edges that meet nothing, as in a damaged mesh, are left out.
 */
export function sectionCut({ corners }: Mesh, axis: 0 | 1, place: number): Loop[] {
  const other = 1 - axis;
  const ends = new Map<string, { point: [number, number]; next: string }>();
  const key = (p: readonly number[]) => p.map((v) => Math.round(v / SAME)).join();
  for (let t = 0; t < corners.length; t += 9) {
    // a corner on the plane counts as beyond it, so that every triangle is cut in two points or none
    const cut: { point: [number, number]; leaving: boolean }[] = [];
    for (let i = 0; i < 3; i++) {
      const [a, b] = [t + 3 * i, t + 3 * ((i + 1) % 3)];
      const [da, db] = [corners[a + axis]! - place, corners[b + axis]! - place];
      if (da < 0 === db < 0) continue;
      const s = da / (da - db);
      const at = (k: number) => corners[a + k]! + s * (corners[b + k]! - corners[a + k]!);
      cut.push({ point: [at(other), at(2)], leaving: da < 0 });
    }
    if (cut.length !== 2) continue;
    const [from, to] = cut[0]!.leaving ? [cut[1]!, cut[0]!] : [cut[0]!, cut[1]!];
    if (key(from.point) !== key(to.point)) ends.set(key(from.point), { point: from.point, next: key(to.point) });
  }
  const loops: Loop[] = [];
  while (ends.size > 0) {
    const start = ends.keys().next().value!;
    const loop: [number, number][] = [];
    let at = start;
    for (let end = ends.get(at); end; end = ends.get(at)) {
      loop.push(end.point);
      ends.delete(at);
      at = end.next;
    }
    if (at === start && loop.length > 2) loops.push(loop);
  }
  return loops;
}
