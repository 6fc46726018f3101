import { segmentArea } from '../src/tanks/cylinder-volume.ts';

/**
 * Area of a rectangle with four rounded corners below a height.
 *
 * @param radius - of the corners, at most half of either side. m. @returns m2.
 */
export function roundedRectangleArea(width: number, height: number, radius: number, level: number): number {
  if (!(radius >= 0 && radius <= Math.min(width, height) / 2 + 1e-12)) throw new RangeError(`corner radius ${radius}`);
  const h = Math.min(Math.max(level, 0), height);
  /** What a pair of corners takes away between their edge of the rectangle and a height t from it. */
  const missing = (t: number) => 2 * radius * t - segmentArea(t - radius, radius);
  const bottom = radius === 0 ? 0 : missing(Math.min(h, radius));
  const top = radius === 0 || h <= height - radius ? 0 : missing(radius) - missing(height - h);
  return width * h - bottom - top;
}
