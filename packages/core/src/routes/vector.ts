import { norm3 } from '../numerics/norm.ts';
/** A point or direction in three dimensions, m or none. */
export type Vec = readonly [x: number, y: number, z: number];

export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (k: number, a: Vec): Vec => [k * a[0], k * a[1], k * a[2]];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vec): number => norm3(a[0], a[1], a[2]);
export const unit = (a: Vec): Vec => times(1 / length(a), a);
/** Between two directions, rad, exact for small ones too. */
export const angleBetween = (a: Vec, b: Vec): number => Math.atan2(length(cross(a, b)), dot(a, b));
/** A unit vector at right angles to a direction. */
export function across(a: Vec): Vec {
  const least = [0, 1, 2].reduce((i, j) => (Math.abs(a[j]!) < Math.abs(a[i]!) ? j : i), 0);
  return unit(cross(a, [least === 0 ? 1 : 0, least === 1 ? 1 : 0, least === 2 ? 1 : 0]));
}
/** Turned about a unit axis by an angle, rad, by the right hand. */
export function turned(a: Vec, axis: Vec, angle: number): Vec {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return add(add(times(c, a), times(s, cross(axis, a))), times((1 - c) * dot(axis, a), axis));
}
