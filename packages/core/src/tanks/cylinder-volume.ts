import type { FuelPlane } from '../meshes/fuel-plane.ts';

/** A horizontal cylinder along x with flat ends. m. */
export interface Cylinder {
  readonly x: readonly [number, number];
  readonly centreY: number;
  readonly centreZ: number;
  readonly radius: number;
}

const LEVEL = 1e-12;

/** Area of a circle's segment below a chord `height` above its centre. */
export function segmentArea(height: number, radius: number): number {
  const s = Math.min(Math.max(height, -radius), radius);
  return radius ** 2 * Math.acos(-s / radius) + s * Math.sqrt(radius ** 2 - s ** 2);
}

/** Volume of a horizontal cylinder below a plane, m3: the segment's area integrated along the axis in closed form. */
export function cylinderVolume({ x: [x1, x2], centreY, centreZ, radius }: Cylinder, plane: FuelPlane): number {
  const slant = Math.sqrt(1 + plane.slopeY ** 2);
  const heightAt = (x: number) => (plane.height + plane.slopeX * x + plane.slopeY * centreY - centreZ) / slant;
  if (Math.abs(plane.slopeX) <= LEVEL) return segmentArea(heightAt(0), radius) * (x2 - x1);
  return (slant / plane.slopeX) * (segmentIntegral(heightAt(x2), radius) - segmentIntegral(heightAt(x1), radius));
}

/** Antiderivative of the segment's area by its height: nothing below the circle, its whole area above it. */
function segmentIntegral(t: number, radius: number): number {
  if (t <= -radius) return 0;
  if (t >= radius) return Math.PI * radius ** 2 * t;
  const half = Math.sqrt(radius ** 2 - t ** 2);
  return radius ** 2 * (t * Math.acos(-t / radius) + half) - half ** 3 / 3;
}
