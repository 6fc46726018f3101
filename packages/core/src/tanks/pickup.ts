import { degrees } from '../units/quick.ts';
import { fuelPlane } from '../meshes/fuel-plane.ts';
import { leftBelow, planeThrough, type Compartment } from './compartments.ts';
import type { Place } from '../meshes/mesh.ts';

/** Where fuel is drawn, and what helps it. Heights above the tank floor, m. */
export interface Pickup {
  readonly place: Place;
  /** The corners of a mat; the place alone where there is none. */
  readonly points?: readonly Place[];
  /** The height down to which a bucket still fills; absent without one. */
  readonly bucketInlet?: number;
}

/** Litres left when a pickup uncovers, over pitch and roll. m3; rows by pitch, columns by roll, both in rad. */
export interface PickupMap {
  readonly pitches: readonly number[];
  readonly rolls: readonly number[];
  readonly without: readonly (readonly number[])[];
  readonly withBucket?: readonly (readonly number[])[];
}

/**
 * What is left in the tank when the surface has fallen to a height at the pickup, m3.
 *
 * @param pitch - rad, positive: fuel runs to the front. @param roll - rad, positive: fuel runs to the left.
 * @param porosity - share of the shell that fuel fills.
 */
export function leftAtPickup(
  parts: readonly Compartment[],
  porosity: number,
  place: Place,
  pitch = 0,
  roll = 0,
): number {
  const { slopeX, slopeY } = fuelPlane(0, pitch, roll);
  return porosity * leftBelow(parts, planeThrough(place, slopeX, slopeY)).reduce((sum, v) => sum + v, 0);
}

export const mapAngles: readonly number[] = Array.from({ length: 13 }, (_, i) => degrees((i - 6) * 5));

/** The map over 30° to every side. @param onRow - told the share done after each row; false stops, and no map is made. */
export function pickupMap(
  parts: readonly Compartment[],
  porosity: number,
  pickup: Pickup,
  onRow: (share: number) => boolean = () => true,
): PickupMap | undefined {
  const [x, y] = pickup.place;
  const points = pickup.points ?? [pickup.place];
  const without: number[][] = [];
  const withBucket: number[][] = [];
  for (const [i, pitch] of mapAngles.entries()) {
    // a mat draws while any of its corners is wet
    without.push(
      mapAngles.map((roll) => Math.min(...points.map((at) => leftAtPickup(parts, porosity, at, pitch, roll)))),
    );
    if (pickup.bucketInlet !== undefined)
      withBucket.push(mapAngles.map((roll) => leftAtPickup(parts, porosity, [x, y, pickup.bucketInlet!], pitch, roll)));
    if (!onRow((i + 1) / mapAngles.length)) return undefined;
  }
  return { pitches: mapAngles, rolls: mapAngles, without, ...(withBucket.length > 0 ? { withBucket } : {}) };
}
