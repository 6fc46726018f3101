/**
 * Heights of nodes in the order of the run, the unknown ones set between their known neighbours.
 *
 * A height in the middle of a run moves no rail pressure, only the pressure shown at that place, so that an
 * even slope is a harmless stand-in; at the ends the nearest known height is kept.
 */
export function fillHeights(known: readonly (number | undefined)[]): number[] {
  const places = known.flatMap((h, i) => (h === undefined ? [] : [i]));
  return known.map((height, i) => {
    if (height !== undefined) return height;
    const before = places.findLast((p) => p < i);
    const after = places.find((p) => p > i);
    if (before === undefined) return after === undefined ? 0 : known[after]!;
    if (after === undefined) return known[before]!;
    return known[before]! + ((known[after]! - known[before]!) * (i - before)) / (after - before);
  });
}
