import type { SweepReading } from '../job/gauge.ts';
import { measured } from '../fields/measured.ts';
import type { ResistanceRange } from './resistor-network.ts';

export const senderFaults = {
  none: 'a good sender',
  open: 'a broken track',
  sticky: 'a sticking wiper',
  dirty: 'a dirty track',
  reversed: 'a sender of the other sense',
  wrongRange: 'a sender of another range',
} as const;
export type SenderFault = keyof typeof senderFaults;

/**
 * Stands in for an ohmmeter on a sender that is swept from stop to stop: for practice, and for tests.
 *
 * @param seed - the same seed gives the same readings.
 */
export function simulatedSweep(range: ResistanceRange, fault: SenderFault, seed = 1, points = 11): SweepReading[] {
  const random = generator(seed);
  const trouble = 0.3 + 0.4 * random(); // share of the sweep where it is
  const span = range.full - range.empty;
  return Array.from({ length: points }, (_, i): SweepReading => {
    const share = i / (points - 1);
    const noise = 0.004 * span * (random() - 0.5);
    if (fault === 'open' && Math.abs(share - trouble) < 0.06) return { share };
    const along = fault === 'reversed' ? 1 - share : share;
    let ohms = range.empty + along * span;
    if (fault === 'wrongRange') ohms = ohms * 0.45 + 4;
    if (fault === 'sticky') ohms = range.empty + stuckShare(along, trouble) * span;
    if (fault === 'dirty' && Math.abs(share - trouble) < 0.08) ohms += (i % 2 === 0 ? 1 : -1) * 0.25 * span;
    return { share, ohms: measured(Math.max(0, Number((ohms + noise).toFixed(1))), 'Ω') };
  });
}

/** Stands still over two fifths of the sweep, then jumps to where it ought to be. */
const stuckShare = (share: number, from: number): number =>
  share > from - 0.3 && share < from + 0.1 ? from - 0.3 : share;

/** Mulberry32, a small public-domain generator: repeatable, not for secrets. */
function generator(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
