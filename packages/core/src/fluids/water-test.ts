/** Ethanol found by shaking fuel with water: it goes into the water, and the boundary between the two rises. */
export interface WaterTest {
  /** Ethanol by volume. */
  readonly share: number;
  /** What the reading and the shrinking of the mixture leave open, by volume. */
  readonly low: number;
  readonly high: number;
}

const OPEN = 0.03; // mixing shrinks the volume a few per cent: ±3 points, common practice

export type WaterTestFault = 'noFuel' | 'boundaryFell' | 'boundaryAboveAll';

/**
 * Ethanol from a measuring glass: water to its mark, fuel on top, shaken, left to part.
 *
 * @param water - m3 put in. @param fuel - m3 put in. @param boundary - m3 below the boundary afterwards.
 */
export function waterTest(
  water: number,
  fuel: number,
  boundary: number,
): WaterTest | { readonly fault: WaterTestFault } {
  if (!(fuel > 0)) return { fault: 'noFuel' };
  if (boundary < water) return { fault: 'boundaryFell' };
  if (boundary > water + fuel) return { fault: 'boundaryAboveAll' };
  const share = (boundary - water) / fuel;
  return { share, low: Math.max(0, share - OPEN), high: Math.min(1, share + OPEN) };
}

export const waterTestFaults: Record<WaterTestFault, string> = {
  noFuel: 'No fuel was put in.',
  boundaryFell: 'The boundary stands below the water that was put in: read it again, or the glass leaked.',
  boundaryAboveAll: 'The boundary stands above all that was put in: read it again.',
};
