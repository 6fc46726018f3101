import type { Job } from '../job/job.ts';
import { measured } from '../fields/measured.ts';
import type { Act } from '../acts/act.ts';
import { setAt } from '../acts/at-path.ts';
import type { Clearance, LaidLine } from './clearances.ts';
import { zoneClearances } from './clearances.ts';
import type { Frame } from './frame.ts';
import { lineName, routeLine, type RoutedLine } from './lines.ts';
import { nearestOn } from './nearest.ts';
import { distanceTo } from './shape.ts';
import { add, dot, length, sub, times, unit, type Vec } from './vector.ts';

/** A place of a line that is moved, or put in, so that the line keeps its gaps; tried before it is told. SI. */
export interface MoveCure {
  readonly line: string;
  /** The place on its way that is moved; absent where one is put in. */
  readonly row?: string;
  readonly towards: 'rearward' | 'forward' | 'left' | 'right' | 'up' | 'down';
  readonly by: number;
  readonly act: Act;
}

const WAYS: readonly (readonly [MoveCure['towards'], Vec])[] = [
  ['up', [0, 0, 1]],
  ['left', [0, 1, 0]],
  ['right', [0, -1, 0]],
  ['down', [0, 0, -1]],
  ['forward', [-1, 0, 0]],
  ['rearward', [1, 0, 0]],
];
const NEAR_ROW = 0.15; // m along a line: a place so near is moved rather than one more put in
const STEPS = [1, 1.5, 2.2, 3.2]; // of what is lacking
const MORE = 0.005; // m over the least gap
const FURTHEST = 0.4; // m: further is another route

/** The smallest move after which a line keeps every gap to what it came too near to. @param rowId - of a place that is put in. */
export function moveCure(
  job: Job,
  frame: Frame,
  line: RoutedLine,
  bad: Clearance,
  rowId: string,
): MoveCure | undefined {
  if (line.kind === 'vent' || !line.centre) return undefined;
  const part = job.parts[line.part];
  if (part?.kind !== 'hose' && part?.kind !== 'hardLine') return undefined;
  const rows = job.routes?.lines?.[line.part]?.through ?? [];
  const along = line.through.map((p) => nearestOn(line.centre!, (q) => length(sub(p, q))).along);
  const near = along.findIndex((s) => Math.abs(s - bad.along) < NEAR_ROW);
  const at = near >= 0 ? line.through[near]! : bad.at;
  const lacks = bad.least - bad.gap + MORE;
  const zone = 'zone' in bad.to ? frame.zones.find((z) => 'zone' in bad.to && z.id === bad.to.zone) : undefined;
  const away = zone ? awayFrom((p) => distanceTo(zone.shape, p), bad.at) : ([0, 0, 1] as Vec);
  const ways = [...WAYS].sort(([, a], [, b]) => dot(b, away) - dot(a, away));
  // a hose is slow to lie down anew
  const [mostWays, shares] = part.kind === 'hose' ? [2, [1.3, 2.5]] : [5, STEPS];
  const found: (MoveCure & { readonly more: number })[] = [];
  for (const [towards, way] of ways.slice(0, mostWays))
    for (const share of shares) {
      const by = Math.ceil((lacks * share) / 0.005) * 0.005;
      if (by > FURTHEST) break;
      const row = near >= 0 ? rows[near]! : undefined;
      const place = placed(add(at, times(by, way)));
      const next = row
        ? rows.map((r) => (r === row ? { ...withoutFrom(r), ...place } : r))
        : putIn(rows, along, bad.along, { id: rowId, ...place });
      const path = ['routes', 'lines', line.part, 'through'] as const;
      const changed = setAt(job, path, next) as Job;
      const laid = routeLine(changed, frame, part);
      if (!laid.centre || (laid.tube?.laid && !laid.tube.laid.table.isBendable)) continue;
      const asLaid: LaidLine = { part: laid.part, centre: laid.centre, radius: laid.radius, covers: laid.covers };
      if (zoneClearances([asLaid], frame).some((c) => c.gap < c.least)) continue;
      const act: Act = {
        act: 'routeLine',
        id: line.part,
        title: `move ${lineName(job, line.part)} ${towards}`,
        changes: [{ key: 'through', value: next }],
      };
      found.push({
        line: line.part,
        ...(row ? { row: row.id } : {}),
        towards,
        by,
        act,
        more: (laid.length ?? 0) - (line.length ?? 0),
      });
      break;
    }
  const best = found.reduce<(typeof found)[number] | undefined>(
    (a, b) => (a && a.by + Math.max(0, a.more) <= b.by + Math.max(0, b.more) ? a : b),
    undefined,
  );
  if (!best) return undefined;
  const { more: _more, ...cure } = best;
  return cure;
}

/** The way on which a distance grows most. */
function awayFrom(distance: (p: Vec) => number, at: Vec): Vec {
  const h = 1e-4;
  const along = (way: Vec) => distance(add(at, times(h, way))) - distance(sub(at, times(h, way)));
  const slope: Vec = [along([1, 0, 0]), along([0, 1, 0]), along([0, 0, 1])];
  return length(slope) > 0 ? unit(slope) : [0, 0, 1];
}

const round = (metres: number) => measured(Math.round(metres * 1e4) / 1e4, 'mm');
const placed = ([x, y, z]: Vec) => ({ rearward: round(x), left: round(y), up: round(z) });
/** From the datum: a place that is moved is told anew. */
function withoutFrom<R extends { readonly from?: string }>({ from: _from, ...row }: R): Omit<R, 'from'> {
  return row;
}
function putIn<R>(rows: readonly R[], along: readonly number[], at: number, row: R): R[] {
  const before = along.filter((s) => s < at).length;
  return [...rows.slice(0, before), row, ...rows.slice(before)];
}
