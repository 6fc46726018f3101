import { mm } from '../units/quick.ts';
import { measureNext, type NextMeasurements } from './measure-next.ts';
import { lookOf, threads, type Thread } from './thread.ts';
import { fitOf, type Fit, type ThreadReading } from './thread-reading.ts';

/** A thread that the readings allow. */
export interface Candidate {
  readonly thread: Thread;
  readonly fit: Fit;
  /** How likely it is among all threads that fit, each held as common as any other. */
  readonly probability: number;
}

export interface ThreadFound {
  /** Those that fit diameter, pitch and what was seen, likeliest first. */
  readonly candidates: readonly Candidate[];
  /** The same by diameter and pitch alone, in the order of the standards. */
  readonly bySize: readonly Thread[];
  /** Pitch and what was seen fit, and the diameter is not far out: a worn thread may be one of these. */
  readonly nearMisses: readonly Candidate[];
  readonly next: NextMeasurements;
}

/** How far a worn or battered thread may be outside, m, common practice. */
const WORN = mm(0.3);

/** Which threads those readings can be, and what to measure to know. */
export function findThread(reading: ThreadReading): ThreadFound {
  const fits = threads.map((thread) => ({ thread, fit: fitOf(thread, reading) }));
  const inside = fits.filter(({ fit }) => fit.diameterMargin > 0 && fit.pitchMargin > 0);
  const left = inside.filter(({ thread }) => looksSo(thread, reading));
  const near = fits.filter(
    ({ thread, fit }) =>
      fit.pitchMargin > 0 && fit.diameterMargin <= 0 && fit.diameterMargin > -WORN && looksSo(thread, reading),
  );
  const all = left.reduce((sum, { fit }) => sum + fit.likelihood, 0);
  const ranked = left.map((c): Candidate => ({
    ...c,
    probability: all > 0 ? c.fit.likelihood / all : 1 / left.length,
  }));
  return {
    candidates: ranked.sort((a, b) => b.probability - a.probability || a.fit.sigma - b.fit.sigma),
    bySize: inside.map((c) => c.thread),
    nearMisses: near.map((c) => ({ ...c, probability: 0 })).sort((a, b) => a.fit.sigma - b.fit.sigma),
    next: measureNext(
      left.map((c) => c.thread),
      reading.gender,
    ),
  };
}

function looksSo(thread: Thread, { taper, seen, gender }: ThreadReading): boolean {
  return (taper === undefined || taper === thread.taper > 0) && (seen === undefined || seen === lookOf(thread, gender));
}
