/**
 * How much more strongly ethanol and petrol press out of their blend than their share of the molecules says.
 *
 * Petrol counts as one substance. With Wilson's equation the two never part into layers, which dry blends do not either.
 *
 * @see Wilson, "Vapor-liquid equilibrium. XI", J. Am. Chem. Soc. 86, 1964; constants fitted to what blends of a 60 kPa petrol
 * show at 37.8 °C: 5 to 15 % ethanol about 6 kPa above it, 50 % back at it, E85 35 to 43 kPa. Common practice, from memory.
 */
const ETHANOL_IN_PETROL = 0.1225;
const PETROL_IN_ETHANOL = 0.3225;

/** kg/mol. */
const ETHANOL_MOLAR_MASS = 46.07e-3; // IUPAC atomic weights
const PETROL_MOLAR_MASS = 95e-3; // mean of a motor petrol, typical, from memory

/** Effective shares of the molecules: what each adds to the pressure is this times its pressure alone. */
export interface Activities {
  readonly ethanol: number;
  readonly petrol: number;
}

/** @param massShare - ethanol's share by mass. */
export function activities(massShare: number): Activities {
  if (massShare <= 0) return { ethanol: 0, petrol: 1 };
  if (massShare >= 1) return { ethanol: 1, petrol: 0 };
  const [moles, others] = [massShare / ETHANOL_MOLAR_MASS, (1 - massShare) / PETROL_MOLAR_MASS];
  const e = moles / (moles + others);
  const p = 1 - e;
  const [a, b] = [e + ETHANOL_IN_PETROL * p, p + PETROL_IN_ETHANOL * e];
  const turn = ETHANOL_IN_PETROL / a - PETROL_IN_ETHANOL / b;
  return { ethanol: (e / a) * Math.exp(p * turn), petrol: (p / b) * Math.exp(-e * turn) };
}
