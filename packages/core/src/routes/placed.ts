import type { ZoneKind, ZoneRow } from '../job/routes.ts';
import type { Shape } from './shape.ts';
import type { Vec } from './vector.ts';

/** A seat, and the way that a line leaves it. */
export interface Mouth {
  readonly at: Vec;
  readonly out: Vec;
}

/** A fastener on either side of a panel, where it has a place. */
export interface PlacedFastener {
  readonly id: string;
  readonly label: string;
  readonly at: Vec;
  readonly radius: number;
  readonly isBehind: boolean;
}

/** Something in the vehicle with the room that it takes. */
export interface PlacedZone {
  readonly id: string;
  readonly label: string;
  readonly kind: ZoneKind;
  readonly shape: Shape;
  /** Least gap to a line, m, and whether it is one of the fitter's own. */
  readonly gap: number;
  readonly isOwnGap: boolean;
  readonly row: ZoneRow;
  /** Of a panel, on both sides. */
  readonly fasteners: readonly PlacedFastener[];
}
