import { length, sub, add, times, type Vec } from './vector.ts';

/** The middle of a line as a chain of places close enough together, with how far along each is. SI. */
export interface CentreLine {
  readonly points: readonly Vec[];
  /** From the first, m. */
  readonly along: readonly number[];
}

export function centreLine(points: readonly Vec[]): CentreLine {
  const along = [0];
  for (let i = 1; i < points.length; i++) along.push(along[i - 1]! + length(sub(points[i]!, points[i - 1]!)));
  return { points, along };
}

export const lengthOfLine = ({ along }: CentreLine): number => along.at(-1) ?? 0;

/** The place so far along, m. */
export function placeAt({ points, along }: CentreLine, s: number): Vec {
  let [low, high] = [0, along.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (along[middle]! <= s) low = middle;
    else high = middle;
  }
  const piece = along[high]! - along[low]!;
  const share = piece > 0 ? Math.min(1, Math.max(0, (s - along[low]!) / piece)) : 0;
  return add(points[low]!, times(share, sub(points[high]!, points[low]!)));
}
