import { sweep } from '../fittings/spanner-room.ts';
import type { Job } from '../job/job.ts';
import type { ZoneKind } from '../job/routes.ts';
import { endOf } from '../run/joints.ts';
import { mm } from '../units/quick.ts';
import type { RoutedLine } from './lines.ts';
import type { PlacedZone } from './placed.ts';
import { distanceTo } from './shape.ts';
import { add, times, type Vec } from './vector.ts';

/** Room for a spanner at the end of a line. SI. */
export interface JointRoom {
  readonly line: string;
  readonly port: 'in' | 'out';
  readonly at: Vec;
  /** From the middle of its hexagon to the nearest thing, and what that is; absent where nothing is near. */
  readonly nearest?: { readonly zone: string; readonly distance: number };
  /** What the head of a spanner sweeps. */
  readonly needs: number;
  /** Whether a place that a hand reaches holds it; absent while none is told of. */
  readonly isReached?: boolean;
}

const USUAL_FLATS = mm(19); // across the flats of a −6 hose end; typical, from memory
const HEX_FROM_SEAT = mm(12); // from the seat to the middle of its hexagon; typical, from memory
/** What a spanner knocks against. */
const SOLID: readonly ZoneKind[] = ['hot', 'axle', 'moving', 'panel', 'tank', 'electrical'];

/** Both ends of every line that has a place. */
export function jointRooms(job: Job, lines: readonly RoutedLine[], zones: readonly PlacedZone[]): JointRoom[] {
  const solid = zones.filter((z) => SOLID.includes(z.kind));
  const reach = zones.filter((z) => z.kind === 'reach');
  return lines.flatMap((line) =>
    line.kind === 'vent'
      ? []
      : (['in', 'out'] as const).flatMap((port, i): JointRoom[] => {
          const mouth = line.mouths[i];
          if (!mouth) return [];
          const at = add(mouth.at, times(HEX_FROM_SEAT, mouth.out));
          const near = solid.map((z) => ({ zone: z.id, distance: distanceTo(z.shape, at) }));
          const nearest = near.reduce<(typeof near)[number] | undefined>(
            (a, b) => (a && a.distance <= b.distance ? a : b),
            undefined,
          );
          const flats = endOf(job, line.part, port).fitting?.flats?.si ?? USUAL_FLATS;
          return [
            {
              line: line.part,
              port,
              at,
              ...(nearest ? { nearest } : {}),
              needs: sweep(flats),
              ...(reach.length > 0 ? { isReached: reach.some((z) => distanceTo(z.shape, at) <= 0) } : {}),
            },
          ];
        }),
  );
}
