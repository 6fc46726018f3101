/** Even wire gauges that pump wiring is made of. */
export const wireGauges = [8, 10, 12, 14, 16, 18, 20] as const;
export type WireGauge = (typeof wireGauges)[number];

const COPPER = 1.724e-8; // ohm m at 20 °C, annealed copper: IEC 60028
const COPPER_TEMPERATURE = 0.00393; // per K, at 20 °C: IEC 60028
const REFERENCE_TEMPERATURE = 293.15; // K

/** Diameter of a solid conductor, m. ASTM B258: 0.127 mm x 92^((36 − n)/39). */
export const gaugeDiameter = (awg: number): number => 0.127e-3 * 92 ** ((36 - awg) / 39);

/** Conductor area, m2. */
export const gaugeArea = (awg: number): number => (Math.PI / 4) * gaugeDiameter(awg) ** 2;

/** Resistance of a copper conductor, ohm. @param area - m2. @param length - m. @param temperature - K. */
export const wireResistance = (area: number, length: number, temperature: number): number =>
  ((COPPER * length) / area) * (1 + COPPER_TEMPERATURE * (temperature - REFERENCE_TEMPERATURE));
