import type { Hanger } from '../job/hanger.ts';
import { hangerProperties } from '../job/hanger.ts';
import type { SurveyedTank } from '../job/tank.ts';

/** How a hanger stands between its plate and the tank floor. m; heights above the floor. */
export interface HangerStand {
  /** Underside of the plate with the gasket loose and bolted down, above the tank's floor. */
  readonly plateLoose: number;
  readonly plateSeated: number;
  /** The stack height that suits, and the one reckoned with: as set, else the one that suits. */
  readonly wanted: number;
  readonly stack: number;
  /** Change of every rod and tube from the old hanger. */
  readonly change?: number;
  readonly rods: readonly { readonly label: string; readonly old?: number; readonly cut?: number }[];
  /** Lowest point of the sock above the floor when bolted down; negative: pressed by so much. */
  readonly gap: number;
  /** Floor that it stands over: the tank's own, or the sump's below it; negative. */
  readonly floor: number;
  /** Its lowest point above the tank's floor; in a sump that is negative. */
  readonly overTankFloor: number;
  /** The same with the plate lying on its loose gasket: negative means that it touches before the gasket seats. */
  readonly gapLoose: number;
  /** How far a sprung hanger, or the sock of a rigid one, may be pressed. */
  readonly mayBePressed: number;
  /** Where fuel is drawn: the pump's inlet where the sock's height is known, else the sock's lowest point. */
  readonly pickup: number;
  /** How much the plate or the panel over it has to be recessed for the hoses; negative: that much room is spare. */
  readonly recess?: number;
}

const typical = (hanger: Hanger, key: 'floorGap' | 'preload' | 'sockGive' | 'outletRise'): number =>
  hanger[key]?.si ?? hangerProperties[key].typical!.si;

/**
 * Stack height from the tank's depth, the sump's where it stands in that, the gasket, and a floor gap or spring preload. A plate
 * that is let in stands lower, and the stack is shorter by as much.
 *
 * From the bare lip the plate stands on its squeezed gasket, so that much is gained; over a loose gasket it comes down by
 * what the gasket is squeezed, so that much is lost. A rigid hanger hangs a gap off the floor (9 1/16 in deep, set 9 in:
 * common practice); a sprung one is longer than the room by its preload.
 */
export function hangerStand(hanger: Hanger, depth: number, sumpDepth = 0): HangerStand {
  const floor = hanger.intoSump ? -sumpDepth : 0;
  const free = hanger.gasketFree?.si ?? 0;
  const squeezed = hanger.gasketSqueezed?.si ?? free * GASKET_SQUEEZED;
  const lip = (hanger.depthFrom === 'gasket' ? depth - free : depth) - (hanger.plateRecess?.si ?? 0);
  const [plateLoose, plateSeated] = [lip + free, lip + squeezed];
  const sprung = hanger.hold === 'sprung';
  const wanted = plateSeated - floor + (sprung ? typical(hanger, 'preload') : -typical(hanger, 'floorGap'));
  const stack = hanger.stack?.si ?? wanted;
  const change = hanger.oldStack && stack - hanger.oldStack.si;
  const gap = plateSeated - floor - stack;
  const bottom = floor + Math.max(0, gap);
  return {
    plateLoose,
    plateSeated,
    wanted,
    stack,
    change,
    rods: (hanger.rods ?? []).map(({ label, old }) => ({
      label: label ?? 'rod',
      old: old?.si,
      cut: old && change !== undefined ? old.si + change : undefined,
    })),
    gap,
    gapLoose: plateLoose - floor - stack,
    floor,
    overTankFloor: plateSeated - stack,
    mayBePressed: sprung ? (hanger.springTravel?.si ?? Infinity) : typical(hanger, 'sockGive'),
    pickup: bottom + Math.max(0, (hanger.sockThickness?.si ?? 0) - (sprung ? 0 : Math.max(0, -gap))),
    recess: hanger.roomAbove && typical(hanger, 'outletRise') - hanger.roomAbove.si,
  };
}

const GASKET_SQUEEZED = 2 / 3; // of its loose thickness, flat rubber: typical, from memory, verify on the part

/** The same as it stands in a surveyed tank; undefined until the depth is known and how it is held. */
export const standIn = (
  hanger: Hanger | undefined,
  { depth, sumpDepth }: Pick<SurveyedTank, 'depth' | 'sumpDepth'>,
): HangerStand | undefined => (depth && hanger?.hold ? hangerStand(hanger, depth.si, sumpDepth?.si) : undefined);
