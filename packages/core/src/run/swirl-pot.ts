import type { PotFlow } from './point-result.ts';

/**
 * Seconds for which a pot or a bucket lasts with nothing lifted into it.
 * @param volume - m3. @param net - m3/s drawn less what comes back into it.
 */
export const secondsOf = (volume: number, net: number): number => (net > 0 ? volume / net : Infinity);

/** What empties a pot while its pickup is dry, m3/s: where the return goes to the tank that is all the pump draws. */
export const netDraw = ({ draw, back }: PotFlow): number => draw - back;

const STEP = 1e-4; // m3: pots are made by the tenth of a litre

/** Smallest volume, to a tenth of a litre, that lasts as long as wanted, m3. */
export const potVolumeFor = (seconds: number, net: number): number =>
  Math.max(STEP, Math.ceil((seconds * net) / STEP - 1e-9) * STEP);
