/** Even wire gauges that pump wiring is made of. */
export const wireGauges = [8, 10, 12, 14, 16, 18, 20] as const;
export type WireGauge = (typeof wireGauges)[number];

/** Diameter of a solid conductor, m. ASTM B258: 0.127 mm x 92^((36 − n)/39). */
export const gaugeDiameter = (awg: number): number => 0.127e-3 * 92 ** ((36 - awg) / 39);

/** Conductor area, m2. */
export const gaugeArea = (awg: number): number => (Math.PI / 4) * gaugeDiameter(awg) ** 2;

/** A conductor as it is given by its gauge: area in m2. */
export const conductor = (awg: number): { si: number; unit: string; typed: string } => ({
  si: gaugeArea(awg),
  unit: 'mm²',
  typed: `${awg} AWG`,
});
