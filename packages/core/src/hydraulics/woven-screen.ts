import type { Liquid } from './network.ts';

/** A woven screen: clear width of its openings, m, and its whole area, m2. */
export interface WovenScreen {
  readonly opening: number;
  readonly area: number;
}

const WIRE_OF_OPENING = 0.7; // wire against clear width of a strainer's plain weave, typical, from memory

/**
 * Loss of a plain square weave: linear and quadratic in flow, Pa s/m3 and Pa s2/m6.
 *
 * f = 8.61/Re + 0.52 with f = Δp ε² D / (B ρ v²) and Re = ρ v / (μ a² D); B is two wires, D the opening.
 *
 * @see Armour & Cannon, "Fluid flow through woven screens", AIChE Journal 14, 1968; constants from memory.
 */
export function screenLoss(
  { opening, area }: WovenScreen,
  { density, viscosity }: Liquid,
): { linear: number; quadratic: number } {
  const wire = WIRE_OF_OPENING * opening;
  const pitch = opening + wire;
  const porosity = 1 - ((Math.PI * wire) / (4 * pitch)) * Math.sqrt(1 + (wire / pitch) ** 2);
  const surface = (4 * (1 - porosity)) / wire; // of wire per volume, 1/m
  const scale = (2 * wire) / (porosity ** 2 * opening);
  return {
    linear: (8.61 * scale * viscosity * surface ** 2 * opening) / area,
    quadratic: (0.52 * scale * density) / area ** 2,
  };
}
