import { zoneKinds } from '../job/routes.ts';
import type { Cover } from './lines.ts';
import type { Frame } from './frame.ts';
import type { PlacedZone } from './placed.ts';
import { lengthOfLine, type CentreLine } from './centre-line.ts';
import { nearestLines, nearestOn } from './nearest.ts';
import { distanceAtLeast, distanceTo } from './shape.ts';
import type { Vec } from './vector.ts';

/** A line that has a place: its middle, and half of its outside. */
export interface LaidLine {
  readonly part: string;
  readonly centre: CentreLine;
  /** m, of its outside. */
  readonly radius: number;
  readonly covers: readonly Cover[];
}

/** How near a line comes to something. SI. */
export interface Clearance {
  readonly line: string;
  readonly to: { readonly zone: string } | { readonly line: string } | { readonly itself: true };
  /** Between their skins; negative where they are in one another. */
  readonly gap: number;
  readonly least: number;
  /** Of the line’s middle, where it is nearest, and that place. */
  readonly along: number;
  readonly at: Vec;
}

const AT_JOINT = 0.12; // m along from an end that two lines share: there they cannot keep apart
const ITSELF_APART = Math.PI; // radii of a line along it within which it is one bend

/** Every line against every zone that it is not to come near to. */
export function zoneClearances(lines: readonly LaidLine[], { zones }: Pick<Frame, 'zones'>): Clearance[] {
  return lines.flatMap((line) => zones.filter(keepsOff).map((zone) => toZone(line, zone)));
}
/** A panel is passed by holes, and where a hand reaches lines may lie. */
const keepsOff = ({ kind }: PlacedZone): boolean => kind !== 'panel' && kind !== 'reach';

function toZone({ part, centre, radius, covers }: LaidLine, zone: PlacedZone): Clearance {
  const spans =
    zone.kind === 'hot' && !zone.isOwnGap
      ? byShield(spanTo(zone, centre), covers, zone)
      : [{ span: spanTo(zone, centre), least: zone.gap }];
  const found = spans.map(({ span, least }): Clearance => {
    const { distance, along, at } = nearestOn(
      centre,
      (p) => distanceTo(zone.shape, p),
      span,
      (p) => distanceAtLeast(zone.shape, p),
    );
    return { line: part, to: { zone: zone.id }, gap: distance - radius, least, along, at };
  });
  // the stretch where it is nearest against what it has to keep
  return found.reduce((a, b) => (b.gap - b.least < a.gap - a.least ? b : a));
}

type Span = readonly [from: number, to: number];

/** Stretches of a line beside a hot zone, each with the gap that it has to keep there: less behind a shield. */
function byShield([from, to]: Span, covers: readonly Cover[], zone: PlacedZone): { span: Span; least: number }[] {
  const cuts = covers
    .filter((c) => c.kind === 'shield')
    .flatMap((c) => [c.from, c.to])
    .filter((s) => s > from && s < to);
  const marks = [from, ...cuts.sort((a, b) => a - b), to];
  return marks.slice(1).map((end, i) => {
    const middle = (marks[i]! + end) / 2;
    const isShielded = covers.some((c) => c.kind === 'shield' && middle >= c.from && middle <= c.to);
    return { span: [marks[i]!, end], least: isShielded ? Math.min(zone.gap, zoneKinds.hot.shielded) : zone.gap };
  });
}

/** What of a line is held off a zone: all of it, but for its ends at the tank, which it may well be joined to. */
function spanTo(zone: PlacedZone, centre: CentreLine): Span {
  const long = lengthOfLine(centre);
  if (zone.kind !== 'tank') return [0, long];
  const trim = Math.min(AT_JOINT, long / 2);
  return [trim, long - trim];
}

/** Every line against every other, and against itself. Where two share a joint, or meet in one part, their ends are left out. */
export function lineClearances(
  lines: readonly LaidLine[],
  sharesPart: (a: string, b: string) => boolean,
  apartBy: number,
): Clearance[] {
  const found: Clearance[] = [];
  lines.forEach((line, i) => {
    for (const other of lines.slice(i + 1)) {
      if (apart(line, other) > REACH) continue;
      const trims = sharesPart(line.part, other.part) ? AT_JOINT : 0;
      const near = nearestLines(trimmed(line.centre, trims), trimmed(other.centre, trims));
      if (near)
        found.push({
          line: line.part,
          to: { line: other.part },
          gap: near.distance - line.radius - other.radius,
          least: apartBy,
          along: near.along + trims,
          at: near.at,
        });
    }
    const own = nearestLines(line.centre, line.centre, Math.max(0.1, ITSELF_APART * 4 * line.radius));
    if (own)
      found.push({
        line: line.part,
        to: { itself: true },
        gap: own.distance - 2 * line.radius,
        least: 0,
        along: own.along,
        at: own.at,
      });
  });
  return found;
}
const REACH = 0.3; // m: lines that are further apart are not told of

function apart(a: LaidLine, b: LaidLine): number {
  const [p, q] = [extent(a.centre.points), extent(b.centre.points)];
  return Math.hypot(...[0, 1, 2].map((i) => Math.max(0, p.low[i]! - q.high[i]!, q.low[i]! - p.high[i]!)));
}

function extent(points: readonly Vec[]) {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (const p of points)
    for (let i = 0; i < 3; i++) {
      low[i] = Math.min(low[i]!, p[i]!);
      high[i] = Math.max(high[i]!, p[i]!);
    }
  return { low, high };
}

/** A line without so much of it at either end. */
function trimmed({ points, along }: CentreLine, by: number): CentreLine {
  if (by === 0) return { points, along };
  const end = along.at(-1)! - by;
  const kept = points.map((_, i) => i).filter((i) => along[i]! >= by && along[i]! <= end);
  return { points: kept.map((i) => points[i]!), along: kept.map((i) => along[i]!) };
}
