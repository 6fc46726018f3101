import { norm2, norm3 } from '../numerics/norm.ts';
import { solveLinear } from '../numerics/solve-linear.ts';
import { across, cross, dot, sub, times, unit, type Vec } from './vector.ts';

/** Where a hose leaves its first end and which way, and where it runs into the other: both directions in the sense of the hose. m. */
export interface HoseEnds {
  readonly a: Vec;
  readonly dirA: Vec;
  readonly b: Vec;
  readonly dirB: Vec;
}

/**
 * What the end puts on a rod that is clamped in place and direction and free to turn about its own axis: no moment twists it, and
 * t × t' = m + f × r all along (Kirchhoff; Love, "A Treatise on the Mathematical Theory of Elasticity", ch. XVIII).
 *
 * m over stiffness times the length, f over stiffness times its square; m is across the first direction.
 */
export interface Load {
  readonly m: Vec;
  readonly f: Vec;
}

/** Unknowns: m along two directions across the first one, then f. */
type Unknowns = readonly number[];
const UNKNOWNS = 5;

/** A rod of length 1 that starts at the origin. */
export interface Rod {
  readonly target: Vec;
  readonly t0: Vec;
  readonly t1: Vec;
  readonly e1: Vec;
  readonly e2: Vec;
  readonly n1: Vec;
  readonly n2: Vec;
}

export function rodBetween({ a, dirA, b, dirB }: HoseEnds, long: number): Rod {
  const [t0, t1] = [unit(dirA), unit(dirB)];
  const [e1, n1] = [across(t0), across(t1)];
  return { target: times(1 / long, sub(b, a)), t0, t1, e1, e2: cross(t0, e1), n1, n2: cross(t1, n1) };
}

export const loadOf = ({ e1, e2 }: Rod, x: Unknowns): Load => ({
  m: [x[0]! * e1[0] + x[1]! * e2[0], x[0]! * e1[1] + x[1]! * e2[1], x[0]! * e1[2] + x[1]! * e2[2]],
  f: [x[2]!, x[3]!, x[4]!],
});
const unknownsOf = ({ e1, e2 }: Rod, { m, f }: Load): number[] => [dot(m, e1), dot(m, e2), ...f];

type Each = (x: number, y: number, z: number, curvature: number) => void;

/**
 * Fourth-order Runge-Kutta from the first end to the other; written out, since a search marches some hundred thousand steps.
 *
 * @param end - is given place and direction at the other end: six numbers.
 */
function march({ t0, e1, e2 }: Rod, x: Unknowns, steps: number, end: Float64Array, each?: Each): void {
  const [p, q, fx, fy, fz] = x as [number, number, number, number, number];
  const mx = p * e1[0] + q * e2[0];
  const my = p * e1[1] + q * e2[1];
  const mz = p * e1[2] + q * e2[2];
  const h = 1 / steps;
  const g = h / 2;
  let [rx, ry, rz] = [0, 0, 0];
  let [tx, ty, tz] = t0;
  for (let i = 0; i < steps; i++) {
    // slope of t: (m + f × r) × t
    let wx = mx + fy * rz - fz * ry;
    let wy = my + fz * rx - fx * rz;
    let wz = mz + fx * ry - fy * rx;
    const ax = wy * tz - wz * ty;
    const ay = wz * tx - wx * tz;
    const az = wx * ty - wy * tx;
    if (each) each(rx, ry, rz, norm3(ax, ay, az));
    const ux = tx + g * ax;
    const uy = ty + g * ay;
    const uz = tz + g * az;
    let [sx, sy, sz] = [rx + g * tx, ry + g * ty, rz + g * tz];
    wx = mx + fy * sz - fz * sy;
    wy = my + fz * sx - fx * sz;
    wz = mz + fx * sy - fy * sx;
    const bx = wy * uz - wz * uy;
    const by = wz * ux - wx * uz;
    const bz = wx * uy - wy * ux;
    const vx = tx + g * bx;
    const vy = ty + g * by;
    const vz = tz + g * bz;
    [sx, sy, sz] = [rx + g * ux, ry + g * uy, rz + g * uz];
    wx = mx + fy * sz - fz * sy;
    wy = my + fz * sx - fx * sz;
    wz = mz + fx * sy - fy * sx;
    const cx = wy * vz - wz * vy;
    const cy = wz * vx - wx * vz;
    const cz = wx * vy - wy * vx;
    const qx = tx + h * cx;
    const qy = ty + h * cy;
    const qz = tz + h * cz;
    [sx, sy, sz] = [rx + h * vx, ry + h * vy, rz + h * vz];
    wx = mx + fy * sz - fz * sy;
    wy = my + fz * sx - fx * sz;
    wz = mz + fx * sy - fy * sx;
    rx += (h / 6) * (tx + 2 * ux + 2 * vx + qx);
    ry += (h / 6) * (ty + 2 * uy + 2 * vy + qy);
    rz += (h / 6) * (tz + 2 * uz + 2 * vz + qz);
    tx += (h / 6) * (ax + 2 * bx + 2 * cx + wy * qz - wz * qy);
    ty += (h / 6) * (ay + 2 * by + 2 * cy + wz * qx - wx * qz);
    tz += (h / 6) * (az + 2 * bz + 2 * cz + wx * qy - wy * qx);
  }
  end[0] = rx;
  end[1] = ry;
  end[2] = rz;
  end[3] = tx;
  end[4] = ty;
  end[5] = tz;
  if (each) {
    const wx = mx + fy * rz - fz * ry;
    const wy = my + fz * rx - fx * rz;
    const wz = mz + fx * ry - fy * rx;
    each(rx, ry, rz, norm3(wy * tz - wz * ty, wz * tx - wx * tz, wx * ty - wy * tx));
  }
}

/** How far the other end is missed: in place (three) and in direction (two); one more where it runs in the wrong way round. */
function missed(rod: Rod, x: Unknowns, steps: number, end: Float64Array, out: Float64Array): number {
  march(rod, x, steps, end);
  const { target, n1, n2, t1 } = rod;
  const [tx, ty, tz] = [end[3]!, end[4]!, end[5]!];
  out[0] = end[0]! - target[0];
  out[1] = end[1]! - target[1];
  out[2] = end[2]! - target[2];
  out[3] = tx * n1[0] + ty * n1[1] + tz * n1[2];
  out[4] = tx * n2[0] + ty * n2[1] + tz * n2[2];
  const isBackward = tx * t1[0] + ty * t1[1] + tz * t1[2] < 0;
  return norm2(norm3(out[0], out[1], out[2]), norm2(out[3], out[4])) + (isBackward ? 1 : 0);
}

const CLOSE = 1e-10; // of the length of the hose
const CLOSE_ENOUGH = 1e-8; // where rounding ends it
const MOST_ROUNDS = 50;
const LEAST_PART = 0.05; // of Newton's step
const BROUGHT_ALONG = 0.2; // of what was missed before: a step that helps less asks for new slopes
const DAMPING = 30; // by which a step is shortened that did not help

/**
 * The load that brings a rod to its other end, by Newton's method, damped as by Levenberg and Marquardt.
 *
 * @returns undefined where it does not come there from that start.
 */
export function shoot(rod: Rod, start: Load, steps: number, rounds = MOST_ROUNDS): Load | undefined {
  const end = new Float64Array(6);
  const jacobian = new Float64Array(UNKNOWNS * UNKNOWNS); // by unknown, then by what is missed
  const matrix = new Float64Array(UNKNOWNS * UNKNOWNS);
  const step = new Float64Array(UNKNOWNS);
  let [r, s] = [new Float64Array(UNKNOWNS), new Float64Array(UNKNOWNS)];
  let x = unknownsOf(rod, start);
  let next = [...x];
  let size = missed(rod, x, steps, end, r);
  let before = Infinity;
  let isCurrent = false; // whether the slopes still hold, brought along by Broyden's update
  for (let round = 0; round < rounds && size > CLOSE; round++) {
    if (!isCurrent) slopes();
    const wasExact = !isCurrent;
    // Newton's own step, whole or in part; where that leads nowhere, damped ones
    let moved = false;
    for (let i = 0; i < UNKNOWNS; i++) {
      step[i] = -r[i]!;
      for (let k = 0; k < UNKNOWNS; k++) matrix[i * UNKNOWNS + k] = jacobian[k * UNKNOWNS + i]!;
    }
    if (solveLinear(matrix, step, UNKNOWNS))
      for (let part = 1; part > LEAST_PART && !moved; part /= 4) moved = accept(part);
    if (!moved && !wasExact) {
      isCurrent = false;
      continue;
    }
    for (let damping = 1e-6; damping < 1e4 && !moved; damping *= DAMPING) {
      for (let i = 0; i < UNKNOWNS; i++) {
        let right = 0;
        for (let j = 0; j < UNKNOWNS; j++) right -= jacobian[i * UNKNOWNS + j]! * r[j]!;
        step[i] = right;
        for (let j = 0; j < UNKNOWNS; j++) {
          let inner = i === j ? damping : 0;
          for (let k = 0; k < UNKNOWNS; k++) inner += jacobian[i * UNKNOWNS + k]! * jacobian[j * UNKNOWNS + k]!;
          matrix[i * UNKNOWNS + j] = inner;
        }
      }
      if (solveLinear(matrix, step, UNKNOWNS)) moved = accept(1);
    }
    if (!moved || (size < CLOSE_ENOUGH && size > before / 2)) break;
    isCurrent = size < BROUGHT_ALONG * before;
    if (isCurrent) bringAlong();
  }
  return size < CLOSE_ENOUGH ? loadOf(rod, x) : undefined;

  function slopes(): void {
    for (let k = 0; k < UNKNOWNS; k++) {
      const was = x[k]!;
      const h = 1e-6 * Math.max(1, Math.abs(was));
      x[k] = was + h;
      missed(rod, x, steps, end, s);
      x[k] = was;
      for (let i = 0; i < UNKNOWNS; i++) jacobian[k * UNKNOWNS + i] = (s[i]! - r[i]!) / h;
    }
  }

  /** Takes so much of the step where it comes nearer; what it was and missed before stay in `next` and `s`. */
  function accept(part: number): boolean {
    for (let k = 0; k < UNKNOWNS; k++) next[k] = x[k]! + part * step[k]!;
    const after = missed(rod, next, steps, end, s);
    if (!(after < size)) return false;
    [x, next] = [next, x];
    [r, s] = [s, r];
    before = size;
    size = after;
    return true;
  }

  /** Broyden's update of the slopes by the step just taken. */
  function bringAlong(): void {
    let square = 0;
    for (let k = 0; k < UNKNOWNS; k++) square += (x[k]! - next[k]!) ** 2;
    for (let i = 0; i < UNKNOWNS; i++) {
      let miss = r[i]! - s[i]!;
      for (let k = 0; k < UNKNOWNS; k++) miss -= jacobian[k * UNKNOWNS + i]! * (x[k]! - next[k]!);
      for (let k = 0; k < UNKNOWNS; k++) jacobian[k * UNKNOWNS + i]! += (miss * (x[k]! - next[k]!)) / square;
    }
  }
}

/** A rod at rest, on the unit length. */
export interface Bent {
  /** Integral of curvature squared. */
  readonly energy: number;
  /** Integral of curvature, rad. */
  readonly turning: number;
  /** Greatest curvature, and where along the rod. */
  readonly most: number;
  readonly at: number;
}

/** @param steps - an even number. @param each - is told every place. */
export function bentBy(rod: Rod, load: Load, steps: number, each?: (x: number, y: number, z: number) => void): Bent {
  const curvatures: number[] = [];
  march(rod, unknownsOf(rod, load), steps, new Float64Array(6), (x, y, z, k) => {
    curvatures.push(k);
    each?.(x, y, z);
  });
  // Simpson's rule
  let [energy, turning, at] = [0, 0, 0];
  curvatures.forEach((k, i) => {
    const weight = (i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2) / (3 * steps);
    energy += weight * k * k;
    turning += weight * k;
    if (k > curvatures[at]! + 1e-12) at = i;
  });
  return { energy, turning, ...peak(curvatures, at, steps) };
}

/** Greatest curvature between steps, by the parabola through the three greatest; at an end it is that of the end. */
function peak(curvatures: readonly number[], at: number, steps: number): { most: number; at: number } {
  const [a, b, c] = [curvatures[at - 1], curvatures[at]!, curvatures[at + 1]];
  if (a === undefined || c === undefined) return { most: b, at: at / steps };
  const bend = a - 2 * b + c;
  if (bend >= -1e-15) return { most: b, at: at / steps };
  const off = (a - c) / (2 * bend);
  return { most: b - ((a - c) * off) / 4, at: (at + off) / steps };
}
