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
  const result = { factor: 0, slope: 0 };
  churchill(reynolds, relativeRoughness, result);
  return result;
}

/** The formula itself, into a place of the caller's: the solver asks for it some hundred thousand times a second. */
export function churchill(reynolds: number, relativeRoughness: number, into: { factor: number; slope: number }): void {
  if (reynolds < 100) {
    // the formula's own limit
    into.factor = 64 / reynolds;
    into.slope = -64 / (reynolds * reynolds);
    return;
  }
  const smoothPart = Math.exp(0.9 * Math.log(7 / reynolds));
  const y = smoothPart + 0.27 * relativeRoughness;
  const logarithm = -Math.log(y);
  const a = sixteenth(2.457 * logarithm);
  const b = sixteenth(37_530 / reynolds);
  const eighth = 8 / reynolds;
  const cube = eighth * eighth * eighth;
  const laminar = cube * cube * cube * cube;
  const sum = a + b;
  const turbulent = 1 / (sum * Math.sqrt(sum));
  const inner = laminar + turbulent;
  into.factor = 8 * Math.cbrt(Math.sqrt(Math.sqrt(inner)));
  const sumSlope = ((16 * a) / logarithm) * ((0.9 * smoothPart) / (reynolds * y)) - (16 * b) / reynolds;
  const innerSlope = (-12 * laminar) / reynolds - ((1.5 * turbulent) / sum) * sumSlope;
  into.slope = (into.factor / (12 * inner)) * innerSlope;
}

/**
 * The composite law of the EPANET engine: 64/Re to 2000, Dunlop's cubic to 4000, Swamee and Jain's formula above; to compare
 * with that engine on equal terms.
 *
 * @see Rossman et al., "EPANET 2.2 User Manual", US EPA 2020, section 12.1; Dunlop 1991; Swamee & Jain 1976.
 */
export function epanetComposite(
  reynolds: number,
  relativeRoughness: number,
  into: { factor: number; slope: number },
): void {
  into.factor = compositeFactor(reynolds, relativeRoughness);
  const h = reynolds * 1e-6;
  into.slope =
    (compositeFactor(reynolds + h, relativeRoughness) - compositeFactor(reynolds - h, relativeRoughness)) / (2 * h);
}

function compositeFactor(reynolds: number, relativeRoughness: number): number {
  if (reynolds <= 2000) return 64 / reynolds;
  const swameeJain = (at: number) => {
    const inner = relativeRoughness / 3.7 + 5.74 / at ** 0.9;
    return { inner, root: -2 * Math.log10(inner) }; // 1/sqrt(f)
  };
  if (reynolds >= 4000) return 1 / swameeJain(reynolds).root ** 2;
  // Dunlop's cubic joins both in value and slope
  const { inner, root } = swameeJain(4000);
  const fa = 1 / root ** 2;
  const fb = fa * (2 - 0.00514215 / (inner * root));
  const r = reynolds / 2000;
  const x1 = 7 * fa - fb;
  const x2 = 0.128 - 17 * fa + 2.5 * fb;
  const x3 = -0.128 + 13 * fa - 2 * fb;
  const x4 = r * (0.032 - 3 * fa + 0.5 * fb);
  return x1 + r * (x2 + r * (x3 + x4));
}

function sixteenth(x: number): number {
  const square = x * x;
  const fourth = square * square;
  const eighth = fourth * fourth;
  return eighth * eighth;
}

/** Flow regime by the conventional limits; between them no law is certain, and a result says so. */
export function flowRegime(reynolds: number): 'laminar' | 'transition' | 'turbulent' {
  if (reynolds < 2000) return 'laminar';
  return reynolds < 4000 ? 'transition' : 'turbulent';
}
