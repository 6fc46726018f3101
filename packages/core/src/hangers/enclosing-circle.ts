import { norm2 } from '../numerics/norm.ts';
import { lastWhere } from '../numerics/last-where.ts';
/** A circle in the plane, m. */
export interface Circle {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}
export interface Packing {
  /** Diameter of the smallest round hole that takes all the circles side by side, m. */
  readonly diameter: number;
  /** The circles where they stand in it, its centre at the origin; in the order they were given. */
  readonly circles: readonly Circle[];
}

const MOST_CIRCLES = 6;
const FINEST = 1e-12; // of the hole: how closely its size is found
const TOUCH = 1e-9; // of the hole: circles nearer than this touch and do not overlap

/**
 * The smallest round hole that takes circles of given diameters side by side, such as pump bodies through a hanger's
 * opening.
 *
 * A hole of one size is tried by putting each circle into every corner that the rim and the circles already there leave
 * (tangent to two of them), in every order; the size is then found by bisection. Checked against closed forms for two,
 * three and four circles.
 *
 * @param diameters - m, one to six, each positive.
 */
export function enclosingCircle(diameters: readonly number[]): Packing {
  if (diameters.length === 0 || diameters.length > MOST_CIRCLES) throw new RangeError(`${diameters.length} circles`);
  if (!diameters.every((d) => d > 0 && Number.isFinite(d))) throw new RangeError('diameters must be positive');
  const radii = diameters.map((d) => d / 2);
  if (radii.length === 1) return { diameter: diameters[0]!, circles: [{ x: 0, y: 0, radius: radii[0]! }] };
  let radius = radii.reduce((sum, r) => sum + r, 0);
  let best = place(radii, radius);
  if (!best) throw new RangeError('circles in a row did not fit'); // cannot be: a row of circles always does
  const tooTight = (tried: number) => {
    const placed = place(radii, tried);
    if (placed) [best, radius] = [placed, tried];
    return !placed;
  };
  lastWhere(Math.max(...radii), radius, tooTight, FINEST * radius);
  return { diameter: 2 * radius, circles: best };
}

/** Places for all circles in a hole of this radius, or undefined. Largest first: small ones fall into the gaps. */
function place(radii: readonly number[], hole: number): Circle[] | undefined {
  const slack = TOUCH * hole * 1e-3;
  const placed: (Circle | undefined)[] = radii.map(() => undefined);
  const largestFirst = radii.map((_, i) => i).sort((a, b) => radii[b]! - radii[a]!);
  const fits = (c: Circle) =>
    norm2(c.x, c.y) + c.radius <= hole + slack &&
    placed.every((other) => !other || norm2(c.x - other.x, c.y - other.y) >= c.radius + other.radius - slack);
  const search = (left: readonly number[]): boolean => {
    if (left.length === 0) return true;
    const there = placed.filter((c) => c !== undefined);
    const tried = new Set<number>();
    for (const i of left) {
      if (tried.has(radii[i]!)) continue; // its equal was tried in this place
      tried.add(radii[i]!);
      const spots =
        there.length === 0 ? [{ x: hole - radii[i]!, y: 0, radius: radii[i]! }] : corners(there, radii[i]!, hole);
      for (const spot of spots) {
        if (!fits(spot)) continue;
        placed[i] = spot;
        if (search(left.filter((j) => j !== i))) return true;
        placed[i] = undefined;
      }
    }
    return false;
  };
  return search(largestFirst) ? (placed as Circle[]) : undefined;
}

/** Centres at which a circle touches the rim and one circle, or two circles. */
function corners(there: readonly Circle[], radius: number, hole: number): Circle[] {
  const rim = { x: 0, y: 0, reach: hole - radius };
  const reaches = there.map((c) => ({ x: c.x, y: c.y, reach: c.radius + radius }));
  const spots: Circle[] = [];
  const meet = (a: typeof rim, b: typeof rim) => {
    for (const [x, y] of intersections(a, b)) spots.push({ x, y, radius });
  };
  for (const a of reaches) meet(rim, a);
  for (let i = 0; i < reaches.length; i++) for (let j = i + 1; j < reaches.length; j++) meet(reaches[i]!, reaches[j]!);
  return spots;
}

interface Reach {
  readonly x: number;
  readonly y: number;
  readonly reach: number;
}

/** Where two circles cross; the one point where they just touch, rounding allowed for; none where they do not meet. */
function intersections(a: Reach, b: Reach): [number, number][] {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const d = norm2(dx, dy);
  if (d === 0) return [];
  const along = (d ** 2 + a.reach ** 2 - b.reach ** 2) / (2 * d);
  const square = a.reach ** 2 - along ** 2;
  if (square < -TOUCH * a.reach ** 2) return [];
  const across = Math.sqrt(Math.max(0, square));
  const [ux, uy] = [dx / d, dy / d];
  return [1, -1].map((side) => [a.x + along * ux - side * across * uy, a.y + along * uy + side * across * ux]);
}
