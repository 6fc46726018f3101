import { failure, success, type Result } from '../result.ts';
import { bendTable, type BendFault, type BendTable } from './bend-table.ts';
import { centreLine, type CentreLine } from './centre-line.ts';
import type { Mouth } from './placed.ts';
import { add, angleBetween, cross, length, sub, times, turned, unit, type Vec } from './vector.ts';

/** A bent tube between two mouths. SI. */
export interface TubeLine {
  /** Corners of its centre line, both ends included, and those that were put in so that it leaves its ports straight. */
  readonly corners: readonly Vec[];
  readonly table: BendTable;
  readonly centre: CentreLine;
}

const ASKEW = Math.PI / 180; // 1°, by which a nut still pulls a tube straight; common practice
const WIDEST = 2.6; // rad, of a bend that is put in: a wider one has its corner far off
const ROUNDS = 12; // until bend and corner agree
const FINE = 0.1; // rad between places of a bend

/**
 * A tube from mouth to mouth through corners. Where the first or last corner is not in front of its port, one is put in there.
 *
 * @param leads - how far in front of either port a bend may begin, m.
 */
export function layTube(
  first: Mouth,
  second: Mouth,
  through: readonly Vec[],
  radius: number,
  leads: readonly [number, number],
): Result<TubeLine, BendFault> {
  const next = through[0] ?? second.at;
  const last = through.at(-1) ?? first.at;
  const corners = [
    first.at,
    ...leadOf(first, next, radius, leads[0]),
    ...through,
    ...leadOf(second, last, radius, leads[1]).reverse(),
    second.at,
  ];
  const table = bendTable(corners, radius);
  return table.ok ? success({ corners, table: table.value, centre: bentLine(corners, radius) }) : failure(table.fault);
}

function leadOf({ at, out }: Mouth, next: Vec, radius: number, lead: number): Vec[] {
  const way = sub(next, at);
  if (length(way) === 0) return [];
  const askew = angleBetween(out, way);
  if (askew <= ASKEW) return [];
  // the corner of a bend lies that much behind where the bend begins; the bend is that towards the next corner
  let corner = at;
  let bend = askew;
  for (let i = 0; i < ROUNDS; i++) {
    corner = add(at, times(lead + radius * Math.tan(Math.min(bend, WIDEST) / 2), out));
    const on = sub(next, corner);
    if (length(on) > 0) bend = angleBetween(out, on);
  }
  return [corner];
}

/** The middle of a tube through corners, bends and all; a bend that has no room is left a corner. */
export function bentLine(corners: readonly Vec[], radius: number): CentreLine {
  const points: Vec[] = [corners[0]!];
  for (let i = 1; i + 1 < corners.length; i++) {
    const [before, after] = [sub(corners[i]!, corners[i - 1]!), sub(corners[i + 1]!, corners[i]!)];
    if (length(before) === 0 || length(after) === 0) continue;
    const [in_, out] = [unit(before), unit(after)];
    const angle = angleBetween(in_, out);
    const setback = radius * Math.tan(angle / 2);
    if (angle < 1e-9 || !(setback <= length(before)) || !(setback <= length(after))) {
      points.push(corners[i]!);
      continue;
    }
    const axis = unit(cross(in_, out));
    const start = sub(corners[i]!, times(setback, in_));
    const centre = add(start, times(radius, cross(axis, in_)));
    const arm = sub(start, centre);
    const steps = Math.max(2, Math.ceil(angle / FINE));
    for (let k = 0; k <= steps; k++) points.push(add(centre, turned(arm, axis, (angle * k) / steps)));
  }
  points.push(corners.at(-1)!);
  return centreLine(points);
}
