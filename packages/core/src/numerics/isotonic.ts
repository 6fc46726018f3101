/**
 * The rising sequence nearest to the values in least squares: pool adjacent violators.
 *
 * @returns as many values, never falling; a stretch that fell is its mean throughout.
 * @see Barlow, Bartholomew, Bremner & Brunk, "Statistical Inference under Order Restrictions", Wiley 1972.
 */
export function isotonic(values: readonly number[]): number[] {
  const pools: { sum: number; count: number }[] = [];
  for (const value of values) {
    pools.push({ sum: value, count: 1 });
    while (pools.length > 1) {
      const [before, last] = [pools.at(-2)!, pools.at(-1)!];
      if (before.sum / before.count <= last.sum / last.count) break;
      pools.splice(-2, 2, { sum: before.sum + last.sum, count: before.count + last.count });
    }
  }
  return pools.flatMap(({ sum, count }) => Array<number>(count).fill(sum / count));
}
