import type { Job } from '../job/job.ts';
import { routeLimit } from '../job/routes.ts';
import { lengthOfLine, placeAt } from './centre-line.ts';
import type { Frame } from './frame.ts';
import type { RoutedLine } from './lines.ts';
import { nearestOn } from './nearest.ts';
import { length, sub, type Vec } from './vector.ts';

/** How a line is held. m along it. */
export interface Clips {
  /** Where it is clipped, in order. */
  readonly at: readonly number[];
  /** Stretches that are longer than a clip may be from the next, or from an end. */
  readonly loose: readonly LooseStretch[];
  /** Where clips would go: evenly, on stretches that are held by nothing. */
  readonly proposed: readonly { readonly along: number; readonly place: Vec }[];
}
export interface LooseStretch {
  readonly from: number;
  readonly to: number;
  readonly most: number;
}

/** Clips of a line that is drawn, where its places say so; a hose that hangs free between short ends needs none. */
export function clipsOf(job: Job, frame: Pick<Frame, 'placeOf'>, line: RoutedLine): Clips | undefined {
  const { centre } = line;
  if (!centre || line.kind === 'vent') return undefined;
  const long = lengthOfLine(centre);
  const apart = routeLimit(job.routes, 'clipSpacing');
  const fromEnd = routeLimit(job.routes, 'clipFromEnd');
  const at = (job.routes?.lines?.[line.part]?.through ?? [])
    .flatMap((row) => {
      const place = row.clip ? frame.placeOf(row) : undefined;
      return place?.ok ? [nearestOn(centre, (p) => length(sub(p, place.value)), [0, long]).along] : [];
    })
    .sort((a, b) => a - b);
  // what is shorter than a clip's reach from both its joints is held by them
  if (long <= (line.kind === 'hose' ? apart : 2 * fromEnd)) return { at, loose: [], proposed: [] };
  const ends = line.kind === 'hose' ? apart : fromEnd;
  const marks = [0, ...at, long];
  const loose = marks.slice(1).flatMap((to, i): LooseStretch[] => {
    const from = marks[i]!;
    const isWhole = from === 0 && to === long;
    const most = isWhole ? 2 * ends : from === 0 || to === long ? ends : apart;
    return to - from > most + SLOP ? [{ from, to, most }] : [];
  });
  return {
    at,
    loose,
    proposed: loose.flatMap((l) =>
      proposedIn(l, long, apart, ends).map((along) => ({ along, place: placeAt(centre, along) })),
    ),
  };
}
const SLOP = 0.005; // m, as a tape is read along a bent line

function proposedIn({ from, to }: LooseStretch, long: number, apart: number, ends: number): number[] {
  const first = from === 0 ? Math.min(ends, to / 2) : from;
  const last = to === long ? Math.max(long - ends, (from + long) / 2) : to;
  const between = Math.max(0, Math.ceil((last - first) / apart - 1e-6) - 1);
  const inner = Array.from({ length: between }, (_, i) => first + ((last - first) * (i + 1)) / (between + 1));
  return [...(from === 0 ? [first] : []), ...inner, ...(to === long && last > first + 1e-6 ? [last] : [])];
}
