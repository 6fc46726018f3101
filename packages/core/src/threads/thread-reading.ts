import { mm } from '../units/quick.ts';
import type { Gender, Look, Thread } from './thread.ts';

/** How the pitch was taken. */
export type PitchReading =
  /** A thread gauge, or what somebody says it is. */
  | { readonly by: 'gauge'; readonly pitch: number }
  /** So many crests, the first and the last counted, over that length, m. */
  | { readonly by: 'crests'; readonly crests: number; readonly over: number }
  /** So many whole pitches counted in a stated length, m. */
  | { readonly by: 'count'; readonly count: number; readonly over: number }
  /** Not taken. */
  | { readonly by: 'unknown' };

/** What a person found on a thread with a caliper, a rule and their eyes. */
export interface ThreadReading {
  readonly gender: Gender;
  /** Over the crests of a male thread at its large end, or across the bore of a female one at its mouth, m. */
  readonly diameter: number;
  /** Standard deviation of the caliper, m; typical when absent. */
  readonly error?: number;
  readonly pitch: PitchReading;
  /** The thread narrows, or does not; absent: not looked for. */
  readonly taper?: boolean;
  /** What was seen at its end; absent: not looked for. */
  readonly seen?: Look;
}

/** Caliper on a thread, m, one standard deviation: typical of a hand-held caliper on crests, common practice. */
export const CALIPER_ERROR = mm(0.03);
/** How far a real thread is off the sharp basic one, m: flats of the crests and tolerance as of class 2A and 2B, from memory. */
export const truncation = { male: [mm(0.05), mm(0.25)], female: [0, mm(0.2)] } as const;
/** A rule held against crests, m, one standard deviation, common practice. */
export const RULE_ERROR = mm(0.25);
/** A count in a stated length, pitches, one standard deviation, common practice. */
export const COUNT_ERROR = 0.15;
/** A thread gauge that seems to fit, share of the pitch: one of 27 does not fit 28 threads per inch. Common practice. */
export const GAUGE_ERROR = 0.01;
/** How many standard deviations are still believed. */
export const BELIEVED = 2;

/** True readings of a thread without any error of the caliper, m: from least to most. */
export function trueRange(thread: Thread, gender: Gender): readonly [number, number] {
  const [least, most] = truncation[gender];
  return gender === 'male'
    ? [thread.readMale - most, thread.readMale - least]
    : [thread.readFemale + least, thread.readFemale + most];
}

/** What a reading makes of one thread. Margins are positive inside what is believed. */
export interface Fit {
  /** Reading minus the basic reading, m. */
  readonly deviation: number;
  readonly diameterMargin: number;
  readonly pitchMargin: number;
  /** Off the middle of what the thread would read, in standard deviations of diameter and pitch together. */
  readonly sigma: number;
  /** How likely these readings are on that thread, up to a factor common to all threads. */
  readonly likelihood: number;
}

export function fitOf(thread: Thread, reading: ThreadReading): Fit {
  const { gender, diameter } = reading;
  const error = reading.error ?? CALIPER_ERROR;
  const [low, high] = trueRange(thread, gender);
  const off = diameter - (low + high) / 2;
  const spread = Math.hypot((high - low) / Math.sqrt(12), error);
  const pitch = pitchFit(thread.pitch, reading.pitch);
  return {
    deviation: diameter - (gender === 'male' ? thread.readMale : thread.readFemale),
    diameterMargin: Math.min(diameter - (low - BELIEVED * error), high + BELIEVED * error - diameter),
    pitchMargin: pitch.margin,
    sigma: Math.hypot(off / spread, pitch.sigma),
    // a thread anywhere between its limits, read with that error
    likelihood:
      ((normal((diameter - low) / error) - normal((diameter - high) / error)) / (high - low)) * pitch.likelihood,
  };
}

function pitchFit(pitch: number, reading: PitchReading): { margin: number; sigma: number; likelihood: number } {
  switch (reading.by) {
    case 'unknown':
      return { margin: Infinity, sigma: 0, likelihood: 1 };
    case 'gauge':
      return byError(reading.pitch - pitch, GAUGE_ERROR * pitch);
    case 'crests':
      return byError(reading.over - (reading.crests - 1) * pitch, RULE_ERROR);
    case 'count': {
      const off = reading.count - reading.over / pitch;
      return {
        margin: 0.5 + BELIEVED * COUNT_ERROR - Math.abs(off),
        sigma: Math.max(0, Math.abs(off) - 0.5) / COUNT_ERROR,
        likelihood: normal((off + 0.5) / COUNT_ERROR) - normal((off - 0.5) / COUNT_ERROR),
      };
    }
  }
}

const byError = (off: number, error: number) => ({
  margin: BELIEVED * error - Math.abs(off),
  sigma: Math.abs(off) / error,
  likelihood: Math.exp(-((off / error) ** 2) / 2) / error,
});

/** Standard normal distribution, by Abramowitz & Stegun 7.1.26: within 1.5e-7. */
export function normal(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2);
  const polynomial = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const half = (polynomial * Math.exp((-z * z) / 2)) / 2;
  return z >= 0 ? 1 - half : half;
}
