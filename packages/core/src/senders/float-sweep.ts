import type { ResistanceRange } from './resistor-network.ts';

/** A float between its stops, and the resistance at each. Heights of the float above the tank floor, m. */
export interface FloatSweep {
  readonly low: number;
  readonly high: number;
  readonly sender: ResistanceRange;
  /** Arm and pivot: the resistance then goes with the arm's angle. Without them it goes with height. */
  readonly arm?: { readonly length: number; readonly pivot: number };
}

/** Whether an arm of this length on this pivot reaches both stops at all. */
export const armReaches = ({ low, high, arm }: FloatSweep): boolean =>
  !arm || [low, high].every((h) => Math.abs(h - arm.pivot) <= arm.length);

/** Share of the sweep at a fuel level, 0 at the bottom stop and 1 at the top; the float rests at its stops beyond them. */
export function sweepShare(sweep: FloatSweep, level: number): number {
  const height = Math.min(Math.max(level, sweep.low), sweep.high);
  const place = (h: number) =>
    sweep.arm ? Math.asin(Math.min(1, Math.max(-1, (h - sweep.arm.pivot) / sweep.arm.length))) : h;
  return (place(height) - place(sweep.low)) / (place(sweep.high) - place(sweep.low));
}

/** Resistance of a sender linear along its sweep, ohm. */
export const senderResistance = (sweep: FloatSweep, level: number): number =>
  sweep.sender.empty + sweepShare(sweep, level) * (sweep.sender.full - sweep.sender.empty);
