import type { Hanger } from '../job/hanger.ts';
import type { HangerStand } from './stack-height.ts';

/** A tube of the hanger, ready to be cut. m. */
export interface HangerTube {
  readonly label: string;
  readonly bore?: number;
  /** Straight stock for it, bends reckoned with; absent while the hanger's height or the tube's end is unknown. */
  readonly cut?: number;
  readonly bends: number;
  readonly bendRadius?: number;
}

const BEND_OF_OD = 3; // centre-line radius by hand, of the outside diameter: common practice
const GAIN = 2 - Math.PI / 2; // of the radius, that a 90° bend is shorter than its two legs to the corner

/** Cut lengths from plate to end: up through the plate, down, sideways, less what each bend saves. */
export function hangerTubes({ tubes }: Hanger, stand: HangerStand | undefined): HangerTube[] {
  return (tubes ?? []).map(({ label, od, wall, rise, end, offset, bends = 0, bendRadius }) => {
    const radius = bendRadius?.si ?? (od && BEND_OF_OD * od.si);
    const bore = od && wall && od.si > 2 * wall.si ? od.si - 2 * wall.si : undefined;
    const isKnown = stand !== undefined && end !== undefined && (bends === 0 || radius !== undefined);
    return {
      label: label ?? 'tube',
      bore,
      bends,
      bendRadius: bends > 0 ? radius : undefined,
      cut: isKnown
        ? stand.plateSeated + (rise?.si ?? 0) - end.si + (offset?.si ?? 0) - bends * GAIN * (radius ?? 0)
        : undefined,
    };
  });
}
