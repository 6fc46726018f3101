/** Seconds for which a pot feeds the engine at full load with the pickup dry. @param volume - m3. @param demand - m3/s. */
export const potSeconds = (volume: number, demand: number): number => volume / demand;

const STEP = 1e-4; // m3: pots are made by the tenth of a litre

/** Smallest volume, to a tenth of a litre, that lasts as long as wanted, m3. */
export const potVolumeFor = (seconds: number, demand: number): number =>
  Math.max(STEP, Math.ceil((seconds * demand) / STEP - 1e-9) * STEP);
