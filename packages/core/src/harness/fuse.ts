/** Standard blade fuses, A. ISO 8820-3. */
export const bladeFuses = [5, 7.5, 10, 15, 20, 25, 30, 40] as const;

/** Least fuse over pump current; the usual band is 1.25 to 1.35. Common practice. */
export const FUSE_FACTOR = 1.25;

/** The smallest that a pump's highest current leaves in hand; undefined above the largest. @param current - A. */
export const fuseFor = (current: number, sizes: readonly number[] = bladeFuses): number | undefined =>
  sizes.find((size) => size >= FUSE_FACTOR * current);
