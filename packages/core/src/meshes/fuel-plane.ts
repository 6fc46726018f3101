/**
 * A level fuel surface seen from the tank: z = height + slopeX x + slopeY y, in the tank's own axes (x forward, y left,
 * z up, m). Fuel is below it.
 */
export interface FuelPlane {
  readonly height: number;
  readonly slopeX: number;
  readonly slopeY: number;
}

/**
 * The surface at a level under a datum, with the vehicle tilted.
 *
 * @param level - m above z = 0 at the datum. @param pitch - rad, positive raises the surface forward.
 * @param roll - rad, positive raises it to the left. A steady lateral or braking g tilts it by atan(g).
 */
export function fuelPlane(
  level: number,
  pitch: number,
  roll: number,
  datum: readonly [number, number] = [0, 0],
): FuelPlane {
  for (const angle of [pitch, roll]) if (!(Math.abs(angle) < Math.PI / 2)) throw new RangeError(`tilt ${angle}`);
  const [slopeX, slopeY] = [Math.tan(pitch), Math.tan(roll)];
  return { height: level - slopeX * datum[0] - slopeY * datum[1], slopeX, slopeY };
}

/** A level surface at a height. */
export const levelPlane = (height: number): FuelPlane => ({ height, slopeX: 0, slopeY: 0 });
