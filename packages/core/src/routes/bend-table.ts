import { failure, success, type Result } from '../result.ts';
import { add, angleBetween, cross, dot, length, sub, times, turned, unit, across, type Vec } from './vector.ts';

/** How one piece of tube is bent: straight lengths between the tangent points, turns between the planes of the bends, bends. SI. */
export interface BendTable {
  readonly straights: readonly number[];
  /** Before each bend, rad: by the right hand about the way that tube is fed, from the axis of the bend before; the first is 0. */
  readonly rotations: readonly number[];
  readonly bends: readonly number[];
  /** What a bend saves against its corner, m: 2 R tan(a/2) − R a. */
  readonly gains: readonly number[];
  /** Length of straight tube that it takes, m. */
  readonly developed: number;
  /** Whether every straight has a length; a negative one says by how much it lacks. */
  readonly isBendable: boolean;
}

export type BendFault =
  | { readonly code: 'tooFewPoints' }
  | { readonly code: 'radius' }
  /** Two points in a row in one place. */
  | { readonly code: 'coincide'; readonly point: number }
  /** The tube would turn straight back on itself. */
  | { readonly code: 'turnsBack'; readonly point: number }
  | { readonly code: 'notANumber'; readonly point: number };

const STRAIGHT = 1e-9; // rad: less is no bend, but a point on a straight
const BACK = 1e-6; // rad short of half a turn, where the corner goes to infinity

/**
 * The bend table of a centre line through points: its two cut ends and the corners between.
 *
 * @param radius - of every bend, on the centre line, m, greater than 0.
 * @returns the table, which may not be bendable; a point on a straight makes no bend.
 */
export function bendTable(points: readonly Vec[], radius: number): Result<BendTable, BendFault> {
  if (!(radius > 0 && Number.isFinite(radius))) return failure({ code: 'radius' });
  if (points.length < 2) return failure({ code: 'tooFewPoints' });
  const odd = points.findIndex((p) => !p.every((c) => Number.isFinite(c)));
  if (odd >= 0) return failure({ code: 'notANumber', point: odd });
  const legs = points.slice(1).map((p, i) => sub(p, points[i]!));
  const same = legs.findIndex((l) => length(l) === 0);
  if (same >= 0) return failure({ code: 'coincide', point: same + 1 });
  const ways = legs.map(unit);
  const straights: number[] = [];
  const rotations: number[] = [];
  const bends: number[] = [];
  let left = length(legs[0]!);
  let axis: Vec | undefined;
  for (let i = 1; i < ways.length; i++) {
    const [before, after] = [ways[i - 1]!, ways[i]!];
    const bend = angleBetween(before, after);
    if (bend > Math.PI - BACK) return failure({ code: 'turnsBack', point: i });
    const leg = length(legs[i]!);
    if (bend < STRAIGHT) {
      left += leg;
      continue;
    }
    const setback = radius * Math.tan(bend / 2);
    straights.push(left - setback);
    const next = unit(cross(before, after));
    rotations.push(axis === undefined ? 0 : signedTurn(axis, next, before));
    bends.push(bend);
    left = leg - setback;
    axis = next;
  }
  straights.push(left);
  return success(tableOf(straights, rotations, bends, radius));
}

/** From one axis to another about a direction that both stand across, rad in (−π, π]. */
function signedTurn(from: Vec, to: Vec, about: Vec): number {
  const turn = Math.atan2(dot(cross(from, to), about), dot(from, to));
  return turn <= -Math.PI + 1e-12 ? Math.PI : turn;
}

/** A bend table by its straights, rotations and bends. */
export function tableOf(
  straights: readonly number[],
  rotations: readonly number[],
  bends: readonly number[],
  radius: number,
): BendTable {
  const gains = bends.map((a) => 2 * radius * Math.tan(a / 2) - radius * a);
  const developed = straights.reduce((s, l) => s + l, 0) + bends.reduce((s, a) => s + radius * a, 0);
  return { straights, rotations, bends, gains, developed, isBendable: straights.every((l) => l >= 0) };
}

/**
 * The points of a bend table again: its first straight along x from the origin, its first bend towards y.
 *
 * @param straights - one more than bends. @throws RangeError where they are not.
 */
export function pointsOfTable(
  { straights, rotations, bends }: Pick<BendTable, 'straights' | 'rotations' | 'bends'>,
  radius: number,
  from: Vec = [0, 0, 0],
  way: Vec = [1, 0, 0],
  axis: Vec = across(way),
): Vec[] {
  if (straights.length !== bends.length + 1 || rotations.length !== bends.length)
    throw new RangeError('a bend table has one straight more than bends');
  const points: Vec[] = [from];
  let [at, dir, about] = [from, way, axis];
  bends.forEach((bend, i) => {
    about = turned(about, dir, rotations[i]!);
    const setback = radius * Math.tan(bend / 2);
    const before = i === 0 ? 0 : radius * Math.tan(bends[i - 1]! / 2);
    at = add(at, times(before + straights[i]! + setback, dir));
    points.push(at);
    dir = turned(dir, about, bend);
  });
  const last = bends.length === 0 ? 0 : radius * Math.tan(bends.at(-1)! / 2);
  points.push(add(at, times(last + straights.at(-1)!, dir)));
  return points;
}

/** In words, points counted from 1. */
export function sayBendFault(fault: BendFault): string {
  switch (fault.code) {
    case 'tooFewPoints':
      return 'a centre line needs two points at least';
    case 'radius':
      return 'the radius of the bender must be more than nothing';
    case 'coincide':
      return `point ${fault.point + 1} lies where point ${fault.point} does`;
    case 'turnsBack':
      return `at point ${fault.point + 1} the tube would turn straight back on itself`;
    case 'notANumber':
      return `point ${fault.point + 1} is no place`;
  }
}
