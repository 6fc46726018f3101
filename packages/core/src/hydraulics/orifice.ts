/** Discharge coefficients. Sharp-edged: the ISO 5167 family; drilled through: typical, from memory. */
export const dischargeCoefficient = { sharp: 0.62, drilled: 0.8 } as const;
export type OrificeEdge = keyof typeof dischargeCoefficient;

const area = (bore: number) => (Math.PI / 4) * bore ** 2;

/** Pressure that drives a flow through an orifice, Pa: Q = Cd A √(2 Δp / ρ). m3/s, m, kg/m3. */
export function orificeDrop(flow: number, bore: number, edge: OrificeEdge, density: number): number {
  const velocity = flow / (dischargeCoefficient[edge] * area(bore));
  return (density / 2) * velocity * Math.abs(velocity);
}

/** Flow that a pressure drives through an orifice, m3/s; 0 where nothing drives it. */
export const orificeFlow = (drop: number, bore: number, edge: OrificeEdge, density: number): number =>
  drop <= 0 ? 0 : dischargeCoefficient[edge] * area(bore) * Math.sqrt((2 * drop) / density);
