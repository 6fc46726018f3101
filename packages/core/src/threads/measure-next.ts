import { mm } from '../units/quick.ts';
import { BELIEVED, CALIPER_ERROR, RULE_ERROR, trueRange } from './thread-reading.ts';
import { lookOf, seatOf, type Gender, type Thread } from './thread.ts';

/** What sets two threads apart, from the easiest to the one that needs a tool few have. */
export const measurements = {
  SEAT_LOOK: 'Look at the end: a cone, an O-ring or its chamfer, a tube nut, or nothing.',
  TAPER: 'Read the diameter at both ends: a taper is 1 mm wider after 16 mm.',
  PITCH_LONG: 'Take the pitch again over more crests.',
  SEAT_ANGLE: 'Hold a seat gauge on the cone: 37° or 45°.',
  FLANK: 'Hold a profile gauge in the thread: flanks of 55° or 60°.',
  DIA_FINE: 'Read the diameter with a micrometer; it decides on an unworn thread only.',
  PITCH_GAUGE: 'Hold a thread gauge against it: a rule is too coarse.',
} as const;
export type Measurement = keyof typeof measurements;
const order = Object.keys(measurements) as Measurement[];

/** Length over which a rule can be held on the thread of a fitting, m. */
const LONGEST_SPAN = mm(20);

/** What tells one thread from another, with a remark where there is one to make. */
export function telling(a: Thread, b: Thread, gender: Gender): Map<Measurement, { pitches?: number; over?: number }> {
  const found = new Map<Measurement, { pitches?: number; over?: number }>();
  if (lookOf(a, gender) !== lookOf(b, gender)) found.set('SEAT_LOOK', {});
  else if (seatOf(a) !== seatOf(b) && lookOf(a, gender) === 'cone') found.set('SEAT_ANGLE', {});
  if (a.taper !== b.taper) found.set('TAPER', {});
  const difference = Math.abs(a.pitch - b.pitch);
  if (difference > 1e-12) {
    // so far that both errors together, believed both ways, do not bridge it
    const pitches = Math.ceil((2 * BELIEVED * RULE_ERROR) / difference - 1e-9);
    const over = pitches * Math.max(a.pitch, b.pitch);
    found.set(over <= LONGEST_SPAN ? 'PITCH_LONG' : 'PITCH_GAUGE', { pitches, over });
  }
  if (a.flankAngle !== b.flankAngle) found.set('FLANK', {});
  if (rangesApart(a, b, gender) > 0) found.set('DIA_FINE', {});
  return found;
}

/** How far apart the true readings of two threads are, m; negative: they overlap. */
export function rangesApart(a: Thread, b: Thread, gender: Gender): number {
  const [lowA, highA] = trueRange(a, gender);
  const [lowB, highB] = trueRange(b, gender);
  return Math.max(lowB - highA, lowA - highB);
}

/** One reading of a caliper may fit both. */
export const oneReadingFits = (a: Thread, b: Thread, gender: Gender): boolean =>
  rangesApart(a, b, gender) < 2 * BELIEVED * CALIPER_ERROR;

export interface NextMeasurements {
  /** The smallest set that sets all that are left apart from one another, the easiest of its size. */
  readonly best: readonly Measurement[];
  /** Every set as small. */
  readonly sets: readonly (readonly Measurement[])[];
  /** The longest span that PITCH_LONG asks for. */
  readonly pitches?: { readonly pitches: number; readonly over: number };
  /** Pairs that nothing sets apart, by code. */
  readonly never: readonly (readonly [string, string])[];
}

/** What to measure to know which of these threads it is; of `truth` given only what sets that one apart. */
export function measureNext(left: readonly Thread[], gender: Gender, truth?: Thread): NextMeasurements {
  const pairs = truth
    ? left.filter((t) => t !== truth).map((other) => [truth, other] as const)
    : left.flatMap((a, i) => left.slice(i + 1).map((b) => [a, b] as const));
  const tells = pairs.map(([a, b]) => ({ a, b, by: telling(a, b, gender) }));
  const told = tells.filter(({ by }) => by.size > 0);
  const every = order.filter((m) => told.some(({ by }) => by.has(m)));
  const decides = (set: readonly Measurement[]) => told.every(({ by }) => set.some((m) => by.has(m)));
  let sets: Measurement[][] = [[]];
  for (let size = 0; size <= every.length; size++) {
    sets = subsets(every, size).filter(decides);
    if (sets.length > 0) break;
  }
  const spans = told.flatMap(({ by }) => {
    const { pitches, over } = by.get('PITCH_LONG') ?? {};
    return pitches === undefined ? [] : [{ pitches, over: over! }];
  });
  return {
    best: sets[0]!,
    sets,
    pitches: spans.sort((a, b) => b.over - a.over)[0],
    never: tells.filter(({ by }) => by.size === 0).map(({ a, b }) => [a.code, b.code]),
  };
}

/** All subsets of a size, those of earlier members first. */
function subsets<T>(list: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return list.flatMap((first, i) => subsets(list.slice(i + 1), size - 1).map((rest) => [first, ...rest]));
}
