import { onceFor } from '../memory/once-for.ts';
import { norm3 } from '../numerics/norm.ts';
import { leastOf } from '../numerics/least-of.ts';
import { add, dot, length, sub, times, type Vec } from './vector.ts';

/** Room that something takes in the vehicle, at every place that it can move to. SI. */
export type Shape =
  | { readonly form: 'box'; readonly low: Vec; readonly high: Vec }
  /** Round, with round ends, between two places; `low` and `high`: how far it moves either way. */
  | {
      readonly form: 'pipe';
      readonly a: Vec;
      readonly b: Vec;
      readonly radius: number;
      readonly low: Vec;
      readonly high: Vec;
    };

const STILL: Vec = [0, 0, 0];

/** A box between two opposite corners, as far as it moves: `low` is none or less, `high` none or more along each axis. */
export const boxBetween = (a: Vec, b: Vec, low: Vec = STILL, high: Vec = STILL): Shape => ({
  form: 'box',
  low: add(least(a, b), low),
  high: add(most(a, b), high),
});
export const pipeBetween = (a: Vec, b: Vec, radius: number, low: Vec = STILL, high: Vec = STILL): Shape => ({
  form: 'pipe',
  a,
  b,
  radius,
  low,
  high,
});

export const least = (a: Vec, b: Vec): Vec => [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])];
export const most = (a: Vec, b: Vec): Vec => [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])];

/** The box that a shape fits in. */
export const boundsOf = onceFor((shape: Shape): { readonly low: Vec; readonly high: Vec } => {
  if (shape.form === 'box') return { low: shape.low, high: shape.high };
  const r: Vec = [shape.radius, shape.radius, shape.radius];
  return {
    low: sub(add(least(shape.a, shape.b), shape.low), r),
    high: add(add(most(shape.a, shape.b), shape.high), r),
  };
});

/** From a place to the nearest of a shape's skin, m; negative within it. */
export function distanceTo(shape: Shape, p: Vec): number {
  if (shape.form === 'box') return toBox(p[0], p[1], p[2], shape.low, shape.high);
  return toSweptSegment(shape.a, shape.b, shape.low, shape.high, p) - shape.radius;
}

/** No more than that, m: from the box around the shape. */
export function distanceAtLeast(shape: Shape, [x, y, z]: Vec): number {
  const { low, high } = boundsOf(shape);
  return toBox(x, y, z, low, high);
}

function toBox(px: number, py: number, pz: number, low: Vec, high: Vec): number {
  const x = Math.max(low[0] - px, px - high[0]);
  const y = Math.max(low[1] - py, py - high[1]);
  const z = Math.max(low[2] - pz, pz - high[2]);
  const within = Math.max(x, y, z);
  return within <= 0 ? within : norm3(Math.max(x, 0), Math.max(y, 0), Math.max(z, 0));
}

const SWEPT = 30; // sections: half a millionth of the length, and in distance the square of that

/** From a place to a line that moves within a box of ways: none where it may pass there. */
function toSweptSegment(a: Vec, b: Vec, low: Vec, high: Vec, p: Vec): number {
  const along = sub(b, a);
  if (low === STILL && high === STILL) {
    const square = dot(along, along);
    const u = square === 0 ? 0 : Math.min(1, Math.max(0, dot(sub(p, a), along) / square));
    return length(sub(p, add(a, times(u, along))));
  }
  // convex along the pipe
  const [x, y, z] = sub(p, a);
  const [dx, dy, dz] = along;
  const at = (u: number) => Math.max(0, toBox(x - u * dx, y - u * dy, z - u * dz, low, high));
  return at(leastOf(at, 0, 1, SWEPT));
}
