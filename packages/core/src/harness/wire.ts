const COPPER = 1.724e-8; // ohm m at 20 °C, annealed copper: IEC 60028
const COPPER_TEMPERATURE = 0.00393; // per K, at 20 °C: IEC 60028
const REFERENCE_TEMPERATURE = 293.15; // K

/** Resistance of a copper conductor, ohm. @param area - m2. @param length - m. @param temperature - K. */
export const wireResistance = (area: number, length: number, temperature: number): number =>
  ((COPPER * length) / area) * (1 + COPPER_TEMPERATURE * (temperature - REFERENCE_TEMPERATURE));

/** Conductors of a wire, pins of a connector: one where nobody has said how many. */
export const atLeastOne = (count: number | undefined): number => Math.max(1, count ?? 1);
