import { norm3 } from '../numerics/norm.ts';
import { solveLinear } from '../numerics/solve-linear.ts';
import type { Load, Rod } from './rod.ts';
import { across, add, cross, dot, length, sub, times, unit, type Vec } from './vector.ts';

const PIECES = 24;
/** Tangents at the two ends against one another, and how far it bulges out of its plane for a tangent of one. */
const LEANS = [
  [1, 1],
  [0.4, 1.6],
  [1.6, 0.4],
] as const;
const BULGES = [0.06, 0.3] as const;

/** Loads to start from: those of gentle curves as long as the rod, cubics between the ends that lean and bulge every way. */
export function* gentleStarts(rod: Rod): Generator<Load> {
  const chord = unit(rod.target);
  const side = across(chord);
  const up = cross(chord, side);
  for (const bulge of BULGES)
    for (const way of [[0, 0, 0] as const, side, times(-1, side), up, times(-1, up)])
      for (const [u, v] of LEANS) {
        const start = startOf(rod, u, v, times(bulge, way));
        if (start) yield start;
        if (way[0] === 0 && way[1] === 0 && way[2] === 0 && bulge !== BULGES[0]) break;
      }
}

/** A few of them, for a quick look. */
export function* fewStarts(rod: Rod): Generator<Load> {
  const chord = unit(rod.target);
  const side = across(chord);
  for (const way of [[0, 0, 0] as const, side, times(-1, side)]) {
    const start = startOf(rod, 1, 1, times(BULGES[0], way));
    if (start) yield start;
  }
}

/** The load of a cubic as long as the rod whose tangents stand in a ratio, bulged. */
export function startOf(rod: Rod, u: number, v: number, bulge: Vec): Load | undefined {
  const points = Array.from({ length: PIECES + 1 }, (): [number, number, number] => [0, 0, 0]);
  let [low, high] = [0.05, 12];
  if (cubic(rod, high * u, high * v, high, bulge, points) < 1) return undefined;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (cubic(rod, middle * u, middle * v, middle, bulge, points) < 1) low = middle;
    else high = middle;
  }
  return loadLike(rod, points);
}
const HALVINGS = 9;

/** Writes places of a cubic and gives its length. */
function cubic(
  { target, t0, t1 }: Rod,
  first: number,
  last: number,
  much: number,
  bulge: Vec,
  points: [number, number, number][],
): number {
  let long = 0;
  for (let i = 0; i <= PIECES; i++) {
    const s = i / PIECES;
    const leaving = first * s * (1 - s) ** 2;
    const entering = last * s * s * (s - 1);
    const along = s * s * (3 - 2 * s);
    const aside = much * 16 * s * s * (1 - s) ** 2;
    const p = points[i]!;
    for (let k = 0 as 0 | 1 | 2; k < 3; k++)
      p[k] = leaving * t0[k] + along * target[k] + entering * t1[k] + aside * bulge[k];
    const q = points[i - 1];
    if (q) long += norm3(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
  }
  return long;
}

const lengthOf = (points: readonly Vec[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + length(sub(p, points[i]!)), 0);

/** The load that bends most nearly as a curve bends: least squares over what is across it. */
function loadLike({ e1, e2 }: Rod, points: readonly Vec[]): Load | undefined {
  const long = lengthOf(points);
  const matrix = new Float64Array(25);
  const x = new Float64Array(5);
  for (let i = 0; i < 5; i++) matrix[i * 6] = 1e-6;
  for (let i = 1; i + 1 < points.length; i++) {
    const [p, q, r] = [points[i - 1]!, points[i]!, points[i + 1]!].map((v) => times(1 / long, v)) as [Vec, Vec, Vec];
    const [before, after] = [sub(q, p), sub(r, q)];
    const [ta, tb] = [unit(before), unit(after)];
    const bend = times(2 / (length(before) + length(after)), cross(ta, tb));
    const t = unit(add(ta, tb));
    const n = across(t);
    for (const normal of [n, cross(t, n)]) {
      const arm = cross(q, normal);
      const row = [dot(e1, normal), dot(e2, normal), arm[0], arm[1], arm[2]];
      const wanted = dot(bend, normal);
      for (let j = 0; j < 5; j++) {
        x[j]! += row[j]! * wanted;
        for (let k = 0; k < 5; k++) matrix[j * 5 + k]! += row[j]! * row[k]!;
      }
    }
  }
  if (!solveLinear(matrix, x, 5)) return undefined;
  return { m: add(times(x[0]!, e1), times(x[1]!, e2)), f: [x[2]!, x[3]!, x[4]!] };
}
