import type { BendTable } from './bend-table.ts';
import type { Bender } from './bender.ts';
import { add, cross, dot, length, sub, times, turned, unit, type Vec } from './vector.ts';

/** An order in which bends are made, and where the bender meets what is bent already. */
export interface BendOrder {
  /** Bends of the table, from 0. */
  readonly order: readonly number[];
  /** None where the bender is clear all the way. */
  readonly clashes: readonly BendClash[];
}
export interface BendClash {
  readonly bend: number;
  /** How far tube and body are in one another, m. */
  readonly by: number;
}

const MOST_TRIED = 26; // orders: all of four bends, or some of more
const SWEEP = 4; // looks while a bend is made

/**
 * The order of bends in which the bender stays clear of the tube already bent: from the first end, from the other, then any.
 *
 * @param outside - of the tube, m.
 */
export function bestBendOrder(table: BendTable, bender: Bender, outside: number): BendOrder {
  const tried: BendOrder[] = [];
  for (const order of orders(table.bends.length)) {
    const clashes = clashesOf(table, bender, outside, order);
    tried.push({ order, clashes });
    if (clashes.length === 0 || tried.length === MOST_TRIED) break;
  }
  return tried.reduce((best, other) => (other.clashes.length < best.clashes.length ? other : best));
}

function* orders(n: number): Generator<number[]> {
  const forward = Array.from({ length: n }, (_, i) => i);
  yield forward;
  if (n < 2) return;
  yield [...forward].reverse();
  yield* permutations(forward, []);
}
function* permutations(left: readonly number[], taken: readonly number[]): Generator<number[]> {
  if (left.length === 0) yield [...taken];
  for (const next of left)
    yield* permutations(
      left.filter((i) => i !== next),
      [...taken, next],
    );
}

function clashesOf(table: BendTable, bender: Bender, outside: number, order: readonly number[]): BendClash[] {
  const made = new Set<number>();
  return order.flatMap((bend): BendClash[] => {
    let worst = 0;
    for (let i = 0; i <= SWEEP; i++) worst = Math.max(worst, clashAt(table, bender, outside, made, bend, i / SWEEP));
    made.add(bend);
    return worst > 0 ? [{ bend, by: worst }] : [];
  });
}

/** How deep tube and bender are in one another while a bend is made in part, m; 0 where they are clear. */
function clashAt(
  table: BendTable,
  bender: Bender,
  outside: number,
  made: ReadonlySet<number>,
  bend: number,
  part: number,
): number {
  const { radius } = bender;
  // the tube as it is then: bends that are not made yet lie straight, as long as their arcs
  const state = table.bends.map((a, i) => (made.has(i) ? a : i === bend ? a * part : 0));
  const { places, start } = shapeOf(table, state, radius, bend);
  const { at, way, axis } = start;
  const inward = cross(axis, way);
  const middle = add(at, times(radius, inward));
  // the die is a disc about the middle of the bend; handle and vice reach on, away from the tube
  const tip = add(middle, times(bender.arm, inward));
  const held = bender.before + outside;
  let worst = 0;
  for (const { place, along } of places) {
    // what lies in the die or its clamp is meant to
    if (along > start.along - held && along < start.along + radius * table.bends[bend]! + held) continue;
    const off = dot(sub(place, middle), axis);
    const flat = sub(sub(place, middle), times(off, axis));
    const thick = bender.thick / 2 + outside / 2 - Math.abs(off);
    if (thick <= 0) continue;
    const disc = radius - length(flat);
    const arm = bender.thick / 2 + outside / 2 - toSegment(place, middle, tip);
    worst = Math.max(worst, Math.min(thick, Math.max(disc, arm)));
  }
  return worst < TOUCH ? 0 : worst;
}
const TOUCH = 1e-4; // m

function toSegment(p: Vec, a: Vec, b: Vec): number {
  const way = sub(b, a);
  const square = dot(way, way);
  const u = square === 0 ? 0 : Math.min(1, Math.max(0, dot(sub(p, a), way) / square));
  return length(sub(p, add(a, times(u, way))));
}

interface Start {
  readonly at: Vec;
  readonly way: Vec;
  readonly axis: Vec;
  readonly along: number;
}

/** Places along a tube bent so far, and where one of its bends begins. */
function shapeOf({ straights, rotations, bends }: BendTable, state: readonly number[], radius: number, bend: number) {
  const places: { place: Vec; along: number }[] = [];
  let [at, way, axis]: [Vec, Vec, Vec] = [
    [0, 0, 0],
    [1, 0, 0],
    [0, 0, 1],
  ];
  let along = 0;
  let start: Start = { at, way, axis, along };
  const straight = (by: number) => {
    const n = Math.max(1, Math.ceil(by / PIECE));
    for (let i = 0; i <= n; i++) places.push({ place: add(at, times((by * i) / n, way)), along: along + (by * i) / n });
    at = add(at, times(by, way));
    along += by;
  };
  straights.forEach((long, i) => {
    straight(Math.max(long, 0));
    const full = bends[i];
    if (full === undefined) return;
    axis = turned(axis, way, rotations[i]!);
    if (i === bend) start = { at, way, axis, along };
    const angle = state[i]!;
    const arc = radius * full;
    if (angle === 0) straight(arc);
    else {
      const centre = add(at, times(radius, cross(axis, way)));
      const arm = sub(at, centre);
      const n = Math.max(2, Math.ceil((radius * angle) / PIECE));
      for (let k = 1; k <= n; k++)
        places.push({
          place: add(centre, turned(arm, axis, (angle * k) / n)),
          along: along + (radius * angle * k) / n,
        });
      at = add(centre, turned(arm, axis, angle));
      way = unit(turned(way, axis, angle));
      along += radius * angle;
      straight(arc - radius * angle);
    }
  });
  return { places, start };
}
const PIECE = 0.01; // m between places
