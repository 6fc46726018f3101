/** What hard line is made of. */
export interface LineMaterial {
  readonly name: string;
  /** Pa, allowable stress before the safety factor; typical, from memory. */
  readonly strength: number;
  readonly ethanol: 'rated' | 'not rated';
}

export const DRAWN_TUBE_ROUGHNESS = 1.5e-6; // m, typical drawn tube, from memory
export const BARLOW_SAFETY_FACTOR = 4; // on tensile strength, common practice for fuel lines

export const lineMaterials = {
  stainless304: { name: 'stainless 304', strength: 515e6, ethanol: 'rated' },
  steelCoated: { name: 'coated steel', strength: 290e6, ethanol: 'rated' },
  copperNickel: { name: 'copper-nickel', strength: 300e6, ethanol: 'rated' },
  aluminium3003: { name: 'aluminium 3003-O', strength: 95e6, ethanol: 'not rated' },
  nylon: { name: 'nylon 12, rigid run', strength: 25e6, ethanol: 'rated' },
} as const satisfies Record<string, LineMaterial>;
export type LineMaterialKey = keyof typeof lineMaterials;

/**
 * Working pressure of a tube by Barlow's formula, p = 2 S t / (D SF).
 *
 * @param strength - tensile strength, Pa. @param wall - m. @param outsideDiameter - m, over twice the wall.
 */
export function barlowPressure(strength: number, wall: number, outsideDiameter: number): number {
  if (!(wall > 0 && outsideDiameter > 2 * wall)) throw new RangeError('wall must be positive and leave a bore');
  return (2 * strength * wall) / (outsideDiameter * BARLOW_SAFETY_FACTOR);
}
