import type { Hanger } from '../job/hanger.ts';
import type { RingPlate } from './ring-plate.ts';

/** Groove of an O-ring in the face of the ring plate. m. */
export interface OringGroove {
  readonly cord: number;
  readonly depth: number;
  readonly width: number;
  /** Diameters of its walls. */
  readonly inside: number;
  readonly outside: number;
  /** Share of the cord that is pressed in, and of the groove that it fills. */
  readonly squeeze: number;
  readonly fill: number;
  /** Metal left on each side; negative: it does not fit between hole and studs. */
  readonly land: number;
}

// Static face seal: 20 to 30 % squeeze, 75 to 85 % fill. ISO 3601-2 gland ranges, from memory: verify against the ring's sheet.
const SQUEEZE = 0.25;
const FILL = 0.8;

/**
 * Gland depth and width from the cord, in the middle of the metal between hole and stud holes.
 *
 * Undefined without a cord, a bolt circle or a hole.
 */
export function oringGroove({ oRingCord }: Hanger, plate: RingPlate | undefined): OringGroove | undefined {
  const cord = oRingCord?.si;
  if (!cord || !plate || plate.boltCircle === undefined || plate.land === undefined) return undefined;
  const depth = cord * (1 - SQUEEZE);
  const width = ((Math.PI / 4) * cord ** 2) / (FILL * depth);
  const middle = plate.hole + plate.land; // of the land: half of it on each side
  return {
    cord,
    depth,
    width,
    inside: middle - width,
    outside: middle + width,
    squeeze: SQUEEZE,
    fill: FILL,
    land: (plate.land - width) / 2,
  };
}
