/** What a run is held against, by rules, sizes, the drive and drawings alike. */

/** Head of fuel in hand before it boils at a pump, m; common practice. */
export const LEAST_SUCTION_MARGIN = 1;
/** Pump flow in hand over full load, hot, at low voltage and full boost; common practice. */
export const LEAST_PUMP_MARGIN = 0.15;
/** Share of the wanted pressure by which a rail may creep up; common practice. */
export const MOST_CREEP = 0.05;
/** m/s, upper ends of the usual guides, common practice. */
export const velocityGuides = { suction: 1, pressure: 4, return: 2 } as const;
