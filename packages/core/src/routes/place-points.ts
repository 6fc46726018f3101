import type { Place } from '../parts/place.ts';
import { solveLinear } from '../numerics/solve-linear.ts';
import { failure, success, type Result } from '../result.ts';
import { add, dot, length, sub, times, type Vec } from './vector.ts';

/** A point that a fitter measured: by its own coordinates, by tapes from other points, or by some of both. SI. */
export interface SurveyedPoint extends Place {
  readonly id: string;
  readonly label?: string;
  readonly tapes?: readonly { readonly id: string; readonly to?: string; readonly far?: { readonly si: number } }[];
  readonly side?: Side;
}

/** Which of two places that tapes allow is meant: the one further that way. */
export const sides = {
  rearward: [1, 0, 0],
  forward: [-1, 0, 0],
  left: [0, 1, 0],
  right: [0, -1, 0],
  up: [0, 0, 1],
  down: [0, 0, -1],
} as const satisfies Record<string, Vec>;
export type Side = keyof typeof sides;

export interface PlacedPoint {
  readonly at: Vec;
  /** Of each tape, what it reads more than the way between the places, m. */
  readonly misfits: readonly { readonly tape: string; readonly by: number }[];
  /** How far out the place may be where every tape may be read this much wrong, in m for m; 0 without tapes. */
  readonly spread: number;
}

export type PointFault =
  /** Coordinates that are not measured, or that many tapes too few. */
  | { readonly code: 'unmeasured'; readonly axes: readonly Axis[] }
  /** It is measured from a point that is not there, or has no place itself. */
  | { readonly code: 'fromUnknown'; readonly from: string }
  /** It is measured from itself, over other points or not. */
  | { readonly code: 'circle' }
  /** The tapes cannot meet: one of them is this much too long or too short at the best place. m. */
  | { readonly code: 'cannotClose'; readonly tape: string; readonly by: number; readonly at: Vec }
  /** The tapes allow two places. */
  | { readonly code: 'twoPlaces'; readonly places: readonly [Vec, Vec] }
  /** The known points lie in one line or one place as seen from here: the tapes do not settle it. */
  | { readonly code: 'unsettled' };

export type Axis = 'rearward' | 'left' | 'up';
const axes: readonly Axis[] = ['rearward', 'left', 'up'];

/** m: a tape under a vehicle is read to a few millimetres; what is further out is a slip. Common practice. */
export const LARGEST_MISFIT = 0.01;

export type PlacedPoints = ReadonlyMap<string, Result<PlacedPoint, PointFault>>;

/** Every point of a survey at its place, in metres rearward, left and up from the datum. */
export function placePoints(points: readonly SurveyedPoint[]): PlacedPoints {
  const byId = new Map(points.map((p) => [p.id, p]));
  const placed = new Map<string, Result<PlacedPoint, PointFault>>();
  const open = new Set<string>();
  const of = (id: string): Result<PlacedPoint, PointFault> => {
    const known = placed.get(id);
    if (known) return known;
    if (open.has(id)) return failure({ code: 'circle' });
    open.add(id);
    const result = placePoint(byId.get(id)!, (from) =>
      byId.has(from) ? of(from) : failure({ code: 'fromUnknown', from }),
    );
    open.delete(id);
    // what goes round in a circle is said of every point of it, each on its own turn
    if (result.ok || result.fault.code !== 'circle' || open.size === 0) placed.set(id, result);
    return result;
  };
  for (const { id } of points) of(id);
  return placed;
}

type Look = (id: string) => Result<PlacedPoint, PointFault>;

/** A place that is measured from a point or the datum; its missing coordinates are 0 here and named. */
function placePoint(point: SurveyedPoint, look: Look): Result<PlacedPoint, PointFault> {
  const base = baseOf(point.from, look);
  if (!base.ok) return base;
  const missing = axes.filter((axis) => point[axis] === undefined);
  const known: Vec = add(base.value, [point.rearward?.si ?? 0, point.left?.si ?? 0, point.up?.si ?? 0]);
  const tapes: Tape[] = [];
  for (const { id, to, far } of point.tapes ?? []) {
    if (far === undefined) continue;
    const end = baseOf(to, look);
    if (!end.ok) return end;
    tapes.push({ id, end: end.value, far: far.si });
  }
  if (tapes.length < missing.length) return failure({ code: 'unmeasured', axes: missing });
  if (tapes.length === 0) return success({ at: known, misfits: [], spread: 0 });
  return byTapes(
    known,
    missing.map((axis) => axes.indexOf(axis)),
    tapes,
    point.side,
  );
}

/** The place of a point, or the datum. */
function baseOf(from: string | undefined, look: Look): Result<Vec, PointFault> {
  if (from === undefined) return success([0, 0, 0]);
  const result = look(from);
  if (result.ok) return success(result.value.at);
  return result.fault.code === 'circle' ? result : failure({ code: 'fromUnknown', from });
}

interface Tape {
  readonly id: string;
  readonly end: Vec;
  readonly far: number;
}

const SAME = 1e-6; // m: two solutions are one
const ROUNDS = 60;

function byTapes(
  known: Vec,
  free: readonly number[],
  tapes: readonly Tape[],
  side: Side | undefined,
): Result<PlacedPoint, PointFault> {
  const found = solutions(known, free, tapes);
  const best = found[0];
  if (!best) return failure({ code: 'unsettled' });
  // a mirror image is as good; a place that fits worse is none
  const equals = found.filter((s) => s.misfit <= best.misfit + SAME);
  const toSide = (s: Solution) => (side ? dot(sides[side], s.at) : 0);
  const chosen = side ? equals.reduce((a, b) => (toSide(b) > toSide(a) ? b : a)) : best;
  const misfits = tapes.map((t) => ({ tape: t.id, by: t.far - length(sub(chosen.at, t.end)) }));
  const worst = misfits.reduce((a, b) => (Math.abs(b.by) > Math.abs(a.by) ? b : a));
  if (Math.abs(worst.by) > LARGEST_MISFIT)
    return failure({ code: 'cannotClose', tape: worst.tape, by: worst.by, at: chosen.at });
  if (!side && equals.length > 1) return failure({ code: 'twoPlaces', places: [equals[0]!.at, equals[1]!.at] });
  if (!(chosen.spread < Infinity)) return failure({ code: 'unsettled' });
  return success({ at: chosen.at, misfits, spread: chosen.spread });
}

interface Solution {
  readonly at: Vec;
  /** Root of the sum of squares of what the tapes are out, m. */
  readonly misfit: number;
  readonly spread: number;
}

/** Places that fit the tapes best, by Gauss and Newton from starts on all sides of the known points; the best first. */
function solutions(known: Vec, free: readonly number[], tapes: readonly Tape[]): Solution[] {
  const middle = times(
    1 / tapes.length,
    tapes.reduce<Vec>((sum, t) => add(sum, t.end), [0, 0, 0]),
  );
  const reach = Math.max(...tapes.map((t) => t.far));
  const starts = Array.from({ length: 2 ** free.length }, (_, bits) => {
    const at = [...known] as [number, number, number];
    // unequal steps: no start lies where two solutions are as near
    free.forEach((axis, i) => (at[axis] = middle[axis]! + ((bits >> i) & 1 ? 1 : -1) * reach * (0.5 + 0.07 * axis)));
    return at;
  });
  const found: Solution[] = [];
  for (const start of starts) {
    const solution = fit(start, free, tapes);
    if (solution && !found.some((s) => length(sub(s.at, solution.at)) < 100 * SAME)) found.push(solution);
  }
  return found.sort((a, b) => a.misfit - b.misfit);
}

function fit(start: Vec, free: readonly number[], tapes: readonly Tape[]): Solution | undefined {
  let at = start;
  let misfit = misfitOf(at, tapes);
  let damping = 1e-3;
  for (let round = 0; round < ROUNDS; round++) {
    const { matrix, right } = normal(at, free, tapes, damping);
    if (!solveLinear(matrix, right, free.length)) return undefined;
    const next = [...at] as [number, number, number];
    free.forEach((axis, i) => (next[axis]! += right[i]!));
    const after = misfitOf(next, tapes);
    const moved = length(sub(next, at));
    if (after <= misfit) {
      [at, misfit] = [next, after];
      damping /= 10;
      if (moved < 1e-12) break;
    } else damping *= 10;
    if (damping > 1e9) break;
  }
  return { at, misfit, spread: spreadOf(at, free, tapes) };
}

const misfitOf = (at: Vec, tapes: readonly Tape[]): number =>
  Math.hypot(...tapes.map((t) => t.far - length(sub(at, t.end))));

function normal(at: Vec, free: readonly number[], tapes: readonly Tape[], damping: number) {
  const n = free.length;
  const matrix = new Float64Array(n * n);
  const right = new Float64Array(n);
  for (const { end, far } of tapes) {
    const way = sub(at, end);
    const long = Math.max(length(way), 1e-12);
    for (let i = 0; i < n; i++) {
      const di = way[free[i]!]! / long;
      right[i]! += di * (far - long);
      for (let j = 0; j < n; j++) matrix[i * n + j]! += (di * way[free[j]!]!) / long;
    }
  }
  for (let i = 0; i < n; i++) matrix[i * n + i]! += damping;
  return { matrix, right };
}

/** How far the place moves where every tape is read one unit wrong, each on its own: the root of the trace of (JᵀJ)⁻¹. */
function spreadOf(at: Vec, free: readonly number[], tapes: readonly Tape[]): number {
  const n = free.length;
  let trace = 0;
  for (let k = 0; k < n; k++) {
    const { matrix } = normal(at, free, tapes, 0);
    const right = new Float64Array(n);
    right[k] = 1;
    if (!solveLinear(matrix, right, n) || !(right[k]! >= 0)) return Infinity;
    trace += right[k]!;
  }
  const spread = Math.sqrt(trace);
  return spread < MOST_SPREAD ? spread : Infinity;
}
/** A place that a millimetre of tape moves by a metre is not settled. */
const MOST_SPREAD = 1000;
