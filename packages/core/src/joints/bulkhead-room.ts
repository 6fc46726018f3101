import { portSize } from '../fittings/port-size.ts';
import { apart } from '../fittings/spanner-room.ts';
import type { BulkheadEnd } from '../job/bulkhead.ts';

/** A hose end where it sits. m. */
export interface PlacedEnd {
  readonly id: string;
  readonly label: string;
  readonly hexagon: number;
  readonly x: number;
  readonly y: number;
}
/** Two neighbours, and whether a spanner turns either beside the other. m. */
export interface EndPair {
  readonly a: PlacedEnd;
  readonly b: PlacedEnd;
  readonly distance: number;
  readonly needed: number;
}

/** Ends of which place and size are known; the first lies at nothing unless it says otherwise. */
export function placedEnds(ends: readonly BulkheadEnd[]): PlacedEnd[] {
  return ends.flatMap((end, i): PlacedEnd[] => {
    const hexagon =
      end.hexagon?.si ?? (end.size === undefined ? undefined : portSize('flare37', end.size)?.flats.female);
    const x = end.along?.si ?? (i === 0 ? 0 : undefined);
    if (hexagon === undefined || x === undefined) return [];
    return [{ id: end.id, label: end.label ?? `end ${i + 1}`, hexagon, x, y: end.across?.si ?? 0 }];
  });
}

/** Every two ends, the tightest first. */
export function endPairs(placed: readonly PlacedEnd[]): EndPair[] {
  return placed
    .flatMap((a, i) =>
      placed.slice(i + 1).map((b): EndPair => ({
        a,
        b,
        distance: Math.hypot(a.x - b.x, a.y - b.y),
        needed: apart(a.hexagon, b.hexagon),
      })),
    )
    .sort((p, q) => p.distance - p.needed - (q.distance - q.needed));
}
