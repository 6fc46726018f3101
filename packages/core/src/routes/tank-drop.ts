import type { Job } from '../job/job.ts';
import { routeLimit } from '../job/routes.ts';
import { lengthOfLine, placeAt, type CentreLine } from './centre-line.ts';
import type { PlacedZone } from './placed.ts';
import type { RoutedLine } from './lines.ts';
import { boundsOf } from './shape.ts';
import type { Vec } from './vector.ts';

/** A line that holds the tank up: its joint is on top of the tank and the next one is too far along. SI. */
export interface HeldTank {
  readonly line: string;
  /** The tank's zone. */
  readonly tank: string;
  /** Along the line from its end at the tank to the next joint. */
  readonly next: number;
  readonly most: number;
  /** Where a union would go: where the line has left the tank's outline. */
  readonly unionAt: number;
  readonly place: Vec;
}

const AT_TANK = 0.15; // m from the tank's skin: a port on its plate
const BESIDE = 0.05; // m past the outline, for a spanner

/** Lines over the tank that no joint parts before it has to come down: somebody would have to reach above it. */
export function heldTanks(job: Job, lines: readonly RoutedLine[], zones: readonly PlacedZone[]): HeldTank[] {
  const most = routeLimit(job.routes, 'dropWithin');
  return zones
    .filter((z) => z.kind === 'tank')
    .flatMap((tank) =>
      lines.flatMap((line): HeldTank[] => {
        const { centre } = line;
        if (!centre || line.kind === 'vent') return [];
        const long = lengthOfLine(centre);
        return ([false, true] as const).flatMap((isFinish): HeldTank[] => {
          const from = isFinish ? turnedRound(centre) : centre;
          if (!isOnTop(from.points[0]!, tank)) return [];
          const off = leaves(from, tank);
          const isParted = off !== undefined && off <= long && long <= most && !isOver(from.points.at(-1)!, tank);
          if (isParted) return [];
          const unionAt = Math.min(off === undefined ? long / 2 : off + BESIDE, long);
          const along = isFinish ? long - unionAt : unionAt;
          return [{ line: line.part, tank: tank.id, next: long, most, unionAt: along, place: placeAt(centre, along) }];
        });
      }),
    );
}

const turnedRound = ({ points, along }: CentreLine): CentreLine => {
  const long = along.at(-1)!;
  return { points: [...points].reverse(), along: along.map((s) => long - s).reverse() };
};
const isOver = (p: Vec, { shape }: PlacedZone): boolean => {
  const { low, high } = boundsOf(shape);
  return [0, 1].every((i) => p[i]! >= low[i]! && p[i]! <= high[i]!);
};
/** Over the tank's outline, no lower than its upper half, and near its skin. */
function isOnTop(p: Vec, tank: PlacedZone): boolean {
  const { low, high } = boundsOf(tank.shape);
  return isOver(p, tank) && p[2] >= (low[2] + high[2]) / 2 && p[2] <= high[2] + AT_TANK;
}
/** How far along a line has left the tank's outline for good. */
function leaves({ points, along }: CentreLine, tank: PlacedZone): number | undefined {
  const last = points.findLastIndex((p) => isOver(p, tank));
  return last + 1 < points.length ? along[last + 1] : undefined;
}
