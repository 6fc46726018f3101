/**
 * Lengths from components: several times faster than Math.hypot, which guards against sizes that no vehicle has, and these
 * stand in inmost loops.
 */
export const norm2 = (x: number, y: number): number => Math.sqrt(x * x + y * y);
export const norm3 = (x: number, y: number, z: number): number => Math.sqrt(x * x + y * y + z * z);
