/** Head of an open-ended spanner, of the size across flats: typical, from memory. */
const SPANNER = 2.2;
/** Across the corners of a hexagon, of its size across flats. */
export const CORNERS = 2 / Math.sqrt(3);

/** How far the middles of two hexagons must be apart so that a spanner turns either beside the other, m. */
export const apart = (a: number, b: number): number => (SPANNER * Math.max(a, b) + CORNERS * Math.min(a, b)) / 2;

/** Half a spanner's head and half of a hexagon of like size, of that size: where ends of unlike size start from. */
export const SHARED = (SPANNER + CORNERS) / 2;
/** Radius that a spanner's head sweeps round a hexagon of that size, m. */
export const sweep = (hexagon: number): number => (SPANNER * hexagon) / 2;
