import { portForm, type PortFormKey } from './port-form.ts';
import { portSize, portSizes } from './port-size.ts';
import { mm } from '../units/quick.ts';
import { CALIPER_ERROR, normal } from '../threads/thread-reading.ts';
import type { Gender } from '../threads/thread.ts';

/** An end without a thread: what a caliper reads on it, from least to most, m. */
export interface SmoothEnd {
  readonly code: string;
  readonly name: string;
  readonly form: PortFormKey;
  readonly size: string;
  readonly gender: Gender;
  /** Where the caliper is held. */
  readonly where: string;
  readonly low: number;
  readonly high: number;
  readonly source: string;
}

interface Kind {
  readonly form: PortFormKey;
  readonly gender: Gender;
  readonly where: string;
  /** What it reads more than its nominal size, m, from least to most. */
  readonly over: readonly [number, number];
  readonly source: string;
}

const kinds: readonly Kind[] = [
  {
    form: 'tube',
    gender: 'male',
    where: 'over the tube',
    over: [mm(-0.1), mm(0.1)],
    source: 'tube by its outside diameter: SAE J514 sixteenths, ISO 3304 millimetres; tolerance from memory',
  },
  {
    form: 'quickConnector',
    gender: 'male',
    where: 'over the spigot, between its end and the bead',
    over: [mm(-0.1), mm(0.06)],
    source: 'SAE J2044 spigots, from memory',
  },
  {
    form: 'bead',
    gender: 'male',
    where: 'over the bead',
    over: [mm(1), mm(2)],
    source: 'bead 1 to 2 mm over its tube, common practice',
  },
  {
    form: 'barb',
    gender: 'male',
    where: 'over the barbs',
    over: [mm(0.6), mm(2)],
    source: 'barbs 0.6 to 2 mm over the bore of their hose, common practice',
  },
  {
    form: 'hose',
    gender: 'female',
    where: 'across the bore of the hose',
    over: [mm(-0.4), mm(0.4)],
    source: 'hose by its bore: SAE J30 tolerances, from memory',
  },
  {
    form: 'ferrule',
    gender: 'female',
    where: 'across the hole for the tube',
    over: [mm(0.05), mm(0.4)],
    source: 'hole for the tube, common practice',
  },
];

/** Every end without a thread that Endrel knows. Hose for hose ends goes by a bore of its own. */
export const smoothEnds: readonly SmoothEnd[] = kinds.flatMap(({ form, gender, where, over, source }) =>
  Object.keys(portSizes(form)).map((size): SmoothEnd => {
    const { nominal, bore } = portSize(form, size)!;
    const at = form === 'hose' && size.startsWith('−') ? bore + mm(1.2) : nominal;
    const plain = size.replace('−', '-').replace(' ', '_');
    return {
      code: `${portForm(form).word}:${plain}`,
      name: `${portForm(form).name} ${size}`,
      form,
      size,
      gender,
      where,
      low: at + over[0],
      high: at + over[1],
      source,
    };
  }),
);

export interface SmoothCandidate {
  readonly end: SmoothEnd;
  readonly probability: number;
  /** Reading less the middle of what it reads, m. */
  readonly deviation: number;
}

const BELIEVED = 2; // standard deviations of the caliper

/** Which ends without a thread a reading can be, likeliest first; each held as common as any other. */
export function findSmooth(gender: Gender, diameter: number, error = CALIPER_ERROR): SmoothCandidate[] {
  const fits = smoothEnds.filter(
    (end) => end.gender === gender && diameter > end.low - BELIEVED * error && diameter < end.high + BELIEVED * error,
  );
  const likely = (end: SmoothEnd) =>
    (normal((diameter - end.low) / error) - normal((diameter - end.high) / error)) / (end.high - end.low);
  const all = fits.reduce((sum, end) => sum + likely(end), 0);
  return fits
    .map((end) => ({ end, probability: likely(end) / all, deviation: diameter - (end.low + end.high) / 2 }))
    .sort((a, b) => b.probability - a.probability);
}
