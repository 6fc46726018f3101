import { leastOf } from '../numerics/least-of.ts';
import { placeAt, lengthOfLine, type CentreLine } from './centre-line.ts';
import { add, dot, length, sub, times, type Vec } from './vector.ts';

/** Where a line comes nearest to something. */
export interface Nearest {
  /** From the middle of the line, m. */
  readonly distance: number;
  /** How far along the line, m, and where that is. */
  readonly along: number;
  readonly at: Vec;
}

/** How far a place is from something, m. */
export type Distance = (p: Vec) => number;

/**
 * Where a line comes nearest to something, between two lengths along it.
 *
 * @param distance - of a convex shape: along each straight piece of the line it falls and then rises, so that none is overlooked.
 * @param atLeast - no more than that, and told more quickly.
 */
export function nearestOn(
  line: CentreLine,
  distance: Distance,
  [from, to]: readonly [number, number] = [0, lengthOfLine(line)],
  atLeast: Distance = distance,
): Nearest {
  const told = (s: number): Nearest => {
    const at = placeAt(line, s);
    return { distance: distance(at), along: s, at };
  };
  let best = told(from);
  const ends = [from, ...line.along.filter((s) => s > from && s < to), to];
  // a distance changes by no more than the way that one goes: pieces that may be nearest are looked at first
  const pieces = ends.slice(1).map((high, i) => {
    const low = ends[i]!;
    const middle = placeAt(line, (low + high) / 2);
    return { low, high, middle, least: atLeast(middle) - (high - low) / 2 };
  });
  for (const { low, high, middle, least } of pieces.sort((p, q) => p.least - q.least)) {
    if (least > best.distance) break;
    if (distance(middle) - (high - low) / 2 > best.distance) continue;
    const here = told(leastOf((s) => distance(placeAt(line, s)), low, high));
    if (here.distance < best.distance) best = here;
  }
  return best;
}

/** From one straight piece to another, m, and the shares along both where that is. */
export function betweenPieces(a: Vec, b: Vec, c: Vec, d: Vec): { distance: number; u: number; v: number } {
  const [p, q, w] = [sub(b, a), sub(d, c), sub(a, c)];
  const [pp, pq, qq, pw, qw] = [dot(p, p), dot(p, q), dot(q, q), dot(p, w), dot(q, w)];
  const square = pp * qq - pq * pq;
  const clamp = (x: number) => Math.min(1, Math.max(0, x));
  let u = square > 1e-14 * pp * qq ? clamp((pq * qw - qq * pw) / square) : 0;
  let v = qq > 0 ? (pq * u + qw) / qq : 0;
  if (v < 0 || v > 1) {
    v = clamp(v);
    u = pp > 0 ? clamp((pq * v - pw) / pp) : 0;
  }
  return { distance: length(add(w, sub(times(u, p), times(v, q)))), u, v };
}

/** Where two lines come nearest to one another; with `apart`, a line to itself: places that far apart along it at least, m. */
export function nearestLines(
  one: CentreLine,
  other: CentreLine,
  apart?: number,
): (Nearest & { readonly onOther: number }) | undefined {
  let best: (Nearest & { readonly onOther: number }) | undefined;
  // of a line to itself only short pieces tell how far apart along it two places are
  const longest = apart === undefined ? Infinity : apart / SHARES;
  const [boxes, others] = [pieces(one, longest), pieces(other, longest)];
  for (const i of boxes)
    for (const j of others) {
      if (best && isFurther(i, j, best.distance)) continue;
      if (apart !== undefined && j.from < i.to + apart) continue;
      const { distance, u, v } = betweenPieces(i.a, i.b, j.a, j.b);
      if (best && distance >= best.distance) continue;
      best = {
        distance,
        along: i.from + u * (i.to - i.from),
        at: add(i.a, times(u, sub(i.b, i.a))),
        onOther: j.from + v * (j.to - j.from),
      };
    }
  return best;
}

interface Piece {
  readonly a: Vec;
  readonly b: Vec;
  readonly from: number;
  readonly to: number;
  readonly middle: Vec;
}
const SHARES = 8;

function pieces({ points, along }: CentreLine, longest: number): Piece[] {
  return points.slice(1).flatMap((b, i): Piece[] => {
    const [a, from, to] = [points[i]!, along[i]!, along[i + 1]!];
    const n = Math.max(1, Math.ceil((to - from) / longest));
    const at = (k: number): Vec => (k === n ? b : add(a, times(k / n, sub(b, a))));
    return Array.from({ length: n }, (_, k): Piece => {
      const [p, q] = [at(k), at(k + 1)];
      return {
        a: p,
        b: q,
        from: from + ((to - from) * k) / n,
        to: from + ((to - from) * (k + 1)) / n,
        middle: times(0.5, add(p, q)),
      };
    });
  });
}

/** Whether two pieces are surely further apart: their middles are, by more than half of both. In squares, for the inmost loop. */
function isFurther(i: Piece, j: Piece, distance: number): boolean {
  const [p, q] = [i.middle, j.middle];
  const [x, y, z] = [p[0] - q[0], p[1] - q[1], p[2] - q[2]];
  const reach = distance + (i.to - i.from + j.to - j.from) / 2;
  return reach < 0 || x * x + y * y + z * z > reach * reach;
}
