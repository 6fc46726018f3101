import { norm2 } from '../numerics/norm.ts';
import type { FloatArm } from './float-arm.ts';

/** A point in the drawn section: along the arm's side and up, m. */
type Point = readonly [along: number, up: number];

/** Something in the way, in the section: a line for a wall or baffle, a band for a pump or tube. */
export interface Obstacle {
  readonly name: string;
  readonly line: readonly [Point, Point];
  /** Room wanted beside it, m: none over a floor, where a float may lie. */
  readonly room: number;
}

export interface ArcClearance {
  /** What float or rod come nearest to, against the room wanted beside it; a negative gap: they meet. */
  readonly nearest?: {
    readonly name: string;
    readonly gap: number;
    readonly room: number;
    readonly angle: number;
    readonly at: Point;
  };
  /** First thing met as the arm rises from its bottom stop. */
  readonly meets?: { readonly name: string; readonly angle: number; readonly height: number };
}

/** What the arm can come near to at all, and the nearest thing beyond its reach. */
function nearby(obstacles: readonly Obstacle[], pivot: Point, reach: number): Obstacle[] {
  const far = obstacles.map((obstacle) => ({
    obstacle,
    beyond: toLine(pivot, ...obstacle.line) - obstacle.room - reach,
  }));
  const beyond = far.filter((f) => f.beyond > 0).sort((a, b) => a.beyond - b.beyond);
  return [...far.filter((f) => f.beyond <= 0), ...beyond.slice(0, 1)].map((f) => f.obstacle);
}

const STEPS = 60;
const ROD_RADIUS = 1.5e-3; // m, a 3 mm rod: typical, from memory

/**
 * Sweeps the arm and holds float and rod against everything in the section.
 *
 * @param pivotAlong - of the pivot in the section. @param side - 1: the arm points along the section, −1: against it.
 */
export function arcClearance(
  arm: FloatArm,
  pivotAlong: number,
  side: 1 | -1,
  floatRadius: number,
  obstacles: readonly Obstacle[],
): ArcClearance {
  let nearest: ArcClearance['nearest'];
  let meets: ArcClearance['meets'];
  const pivot: Point = [pivotAlong, arm.pivot];
  const within = nearby(obstacles, pivot, arm.length + floatRadius);
  for (let i = 0; i <= STEPS; i++) {
    const angle = arm.down + (i / STEPS) * (arm.up - arm.down);
    const float: Point = [pivotAlong + side * arm.length * Math.cos(angle), arm.pivot + arm.length * Math.sin(angle)];
    for (const { name, line, room } of within) {
      const gap = Math.min(toLine(float, ...line) - floatRadius, segmentDistance(pivot, float, ...line) - ROD_RADIUS);
      if (!nearest || gap - room < nearest.gap - nearest.room) nearest = { name, gap, room, angle, at: float };
      if (gap < -TOUCH && !meets) meets = { name, angle, height: float[1] };
    }
  }
  return { nearest, meets };
}

const TOUCH = 1e-6; // m; a float that just lies on the floor does not hang on it

/** Distance of two line pieces, 0 where they cross. */
function segmentDistance(a: Point, b: Point, c: Point, d: Point): number {
  if (crosses(a, b, c, d)) return 0;
  return Math.min(toLine(a, c, d), toLine(b, c, d), toLine(c, a, b), toLine(d, a, b));
}

function toLine(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const [ex, ey] = [p[0] - a[0], p[1] - a[1]];
  const square = dx * dx + dy * dy;
  const t = square === 0 ? 0 : Math.min(1, Math.max(0, (ex * dx + ey * dy) / square));
  return norm2(ex - t * dx, ey - t * dy);
}

const crosses = (a: Point, b: Point, c: Point, d: Point): boolean =>
  turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;

/** Twice the area of three points, positive when they turn left. */
const turn = (p: Point, q: Point, r: Point): number => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
