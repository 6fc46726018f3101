import type { FuelPlane } from '../meshes/fuel-plane.ts';

type Span = readonly [from: number, to: number];

const LEVEL = 1e-12; // a slope below this is level

/** Volume of an upright box below a plane, m3: closed form, exact at any tilt. */
export function boxVolume(x: Span, y: Span, z: Span, plane: FuelPlane): number {
  return columnIntegral(x, y, z[0], plane) - columnIntegral(x, y, z[1], plane);
}

/** Integral over the footprint of how far the plane stands above `floor`, where it does. */
function columnIntegral([x1, x2]: Span, [y1, y2]: Span, floor: number, { height, slopeX, slopeY }: FuelPlane): number {
  const above = (x: number, y: number) => height - floor + slopeX * x + slopeY * y;
  const power = (value: number, n: number) => Math.max(value, 0) ** n;
  const [tiltedX, tiltedY] = [Math.abs(slopeX) > LEVEL, Math.abs(slopeY) > LEVEL];
  if (!tiltedX && !tiltedY) return (x2 - x1) * (y2 - y1) * power(height - floor, 1);
  if (!tiltedY) return ((y2 - y1) * (power(above(x2, 0), 2) - power(above(x1, 0), 2))) / (2 * slopeX);
  if (!tiltedX) return ((x2 - x1) * (power(above(0, y2), 2) - power(above(0, y1), 2))) / (2 * slopeY);
  const corners = power(above(x2, y2), 3) - power(above(x1, y2), 3) - power(above(x2, y1), 3) + power(above(x1, y1), 3);
  return corners / (6 * slopeX * slopeY);
}
