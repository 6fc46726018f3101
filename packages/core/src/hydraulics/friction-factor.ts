/**
 * Darcy friction factor of a round line running full, laminar through turbulent in one formula.
 *
 * @param reynolds - Reynolds number, greater than 0.
 * @param relativeRoughness - wall roughness over bore, 0 to 0.05.
 * @returns Darcy (not Fanning) factor, dimensionless.
 * @throws RangeError if an argument is out of range.
 * @see Churchill, "Friction-factor equation spans all fluid-flow regimes", Chem. Eng. 84(24), 1977, p. 91.
 */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  return frictionWithSlope(reynolds, relativeRoughness).factor;
}

/** The same factor with its derivative by Reynolds number, for Newton's method. */
export function frictionWithSlope(reynolds: number, relativeRoughness: number): { factor: number; slope: number } {
  if (!(reynolds > 0)) throw new RangeError(`Reynolds number ${reynolds}`);
  if (!(relativeRoughness >= 0 && relativeRoughness <= 0.05)) throw new RangeError(`roughness ${relativeRoughness}`);
  if (reynolds < 100) return { factor: 64 / reynolds, slope: -64 / reynolds ** 2 }; // the formula's own limit
  const smoothPart = (7 / reynolds) ** 0.9;
  const y = smoothPart + 0.27 * relativeRoughness;
  const logarithm = Math.log(1 / y);
  const a = (2.457 * logarithm) ** 16;
  const b = (37_530 / reynolds) ** 16;
  const laminar = (8 / reynolds) ** 12;
  const sum = a + b;
  const inner = laminar + sum ** -1.5;
  const factor = 8 * inner ** (1 / 12);
  const sumSlope = ((16 * a) / logarithm) * ((0.9 * smoothPart) / (reynolds * y)) - (16 * b) / reynolds;
  const innerSlope = (-12 * laminar) / reynolds - 1.5 * sum ** -2.5 * sumSlope;
  return { factor, slope: (factor / (12 * inner)) * innerSlope };
}

/** Flow regime by the conventional limits; between them no law is certain, and a result says so. */
export function flowRegime(reynolds: number): 'laminar' | 'transition' | 'turbulent' {
  if (reynolds < 2000) return 'laminar';
  return reynolds < 4000 ? 'transition' : 'turbulent';
}
