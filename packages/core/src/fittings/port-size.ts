import { threadByCode, threads, type FamilyKey, type Thread } from '../threads/thread.ts';
import { inches, mm } from '../units/quick.ts';
import { typicalHoseBore, typicalPtfeBore } from '../units/dash-size.ts';
import type { PortFormKey } from './port-form.ts';

/** One size of a form. */
export interface PortSize {
  /** Absent for a form that holds without a screw thread. */
  readonly thread?: Thread;
  /** Hole through it, m: typical, from memory. */
  readonly bore: number;
  /** Spanner across the flats of a male body and of a female nut or body, m: typical, from memory; 0 where there is none. */
  readonly flats: { readonly male: number; readonly female: number };
  /** How much it adds to a body's length, m: typical, from memory. */
  readonly length: number;
  /** How large it is among all sizes: the tube or hose that it goes with, m. */
  readonly nominal: number;
}

const dashes = ['-3', '-4', '-5', '-6', '-8', '-10', '-12', '-16'] as const;
const minus = (size: string) => size.replace('-', '−');
const flats = (male: number, female = male) => ({ male: inches(male), female: inches(female) });
const flatsMm = (male: number, female = male) => ({ male: mm(male), female: mm(female) });

/** Hole through a fitting by dash size, in: SAE J514, from memory. */
const dashBores: Readonly<Record<string, number>> = {
  '-3': 0.125,
  '-4': 0.172,
  '-5': 0.234,
  '-6': 0.297,
  '-8': 0.391,
  '-10': 0.484,
  '-12': 0.609,
  '-16': 0.844,
};
/** Male hexagon and nut by dash size, in: typical, from memory. */
const dashFlats: Readonly<Record<string, readonly [number, number]>> = {
  '-3': [7 / 16, 1 / 2],
  '-4': [9 / 16, 9 / 16],
  '-5': [5 / 8, 5 / 8],
  '-6': [11 / 16, 11 / 16],
  '-8': [7 / 8, 7 / 8],
  '-10': [1, 1],
  '-12': [5 / 4, 5 / 4],
  '-16': [3 / 2, 3 / 2],
};
const tubeBores: Readonly<Record<string, number>> = {
  '3/16': 3,
  '1/4': 4.6,
  '5/16': 6.2,
  '3/8': 7.75,
  '1/2': 10.9,
  '5/8': 14.1,
  '3/4': 17.3,
}; // mm, wall of about 0.9 mm
const tubeFlats: Readonly<Record<string, number>> = {
  '3/16': 3 / 8,
  '1/4': 7 / 16,
  '5/16': 1 / 2,
  '3/8': 5 / 8,
  '1/2': 3 / 4,
  '5/8': 7 / 8,
  '3/4': 1,
};
const metricTubes = { '6 mm': 4, '8 mm': 6, '10 mm': 8, '12 mm': 10 } as const; // bore, mm, wall of 1 mm
const pipeFlats: Readonly<Record<string, readonly [number, number]>> = {
  '1/16': [3 / 8, 7 / 16],
  '1/8': [7 / 16, 9 / 16],
  '1/4': [9 / 16, 3 / 4],
  '3/8': [11 / 16, 7 / 8],
  '1/2': [7 / 8, 9 / 8],
  '3/4': [17 / 16, 11 / 8],
  '1': [11 / 8, 13 / 8],
};
const pipeBores: Readonly<Record<string, number>> = {
  '1/16': 0.125,
  '1/8': 0.188,
  '1/4': 0.281,
  '3/8': 0.406,
  '1/2': 0.531,
  '3/4': 0.719,
  '1': 0.938,
};
const metricFlats: Readonly<Record<string, number>> = {
  M8x1: 12,
  M10x1: 14,
  'M12x1.5': 17,
  'M14x1.5': 19,
  'M16x1.5': 22,
  'M18x1.5': 24,
  'M20x1.5': 27,
  'M22x1.5': 30,
};
const metricBores: Readonly<Record<string, number>> = {
  M8x1: 3,
  M10x1: 4.5,
  'M12x1.5': 6,
  'M14x1.5': 7.5,
  'M16x1.5': 9,
  'M18x1.5': 11,
  'M20x1.5': 13,
  'M22x1.5': 15,
};
const barbSizes = ['3/16', '1/4', '5/16', '3/8', '1/2', '5/8', '3/4'] as const;
const barbBores: Readonly<Record<string, number>> = {
  '3/16': 3,
  '1/4': 4.5,
  '5/16': 6,
  '3/8': 7.5,
  '1/2': 10,
  '5/8': 13,
  '3/4': 16,
};

const inchOf = (size: string) => inches(size.split('/').reduce((n, d, i) => (i === 0 ? Number(d) : n / Number(d)), 0));
const withThread = (family: FamilyKey, size: string) =>
  threadByCode(`${family}:${size}`) ?? threads.find((t) => t.family === family && t.size.startsWith(`${size}-`));

function sizesOf<S extends string>(
  sizes: readonly S[],
  key: (size: S) => string,
  make: (size: S) => PortSize,
): Record<string, PortSize> {
  return Object.fromEntries(sizes.map((size) => [key(size), make(size)]));
}

const ofDash = (family: FamilyKey) =>
  sizesOf(dashes, minus, (size) => ({
    thread: withThread(family, size),
    bore: inches(dashBores[size]!),
    flats: flats(...dashFlats[size]!),
    length: mm(14) + inches(-Number(size) / 32),
    nominal: inches(-Number(size) / 16),
  }));

const ofTube = (family: FamilyKey) =>
  sizesOf(
    threads.filter((t) => t.family === family).map((t) => t.size),
    (size) => size,
    (size) => ({
      thread: withThread(family, size),
      bore: mm(tubeBores[size]!) * 0.95,
      flats: flats(tubeFlats[size]!),
      length: mm(12),
      nominal: inchOf(size),
    }),
  );

const ofPipe = (family: FamilyKey) =>
  sizesOf(
    threads.filter((t) => t.family === family).map((t) => t.size.slice(0, t.size.lastIndexOf('-'))),
    (size) => size,
    (size) => ({
      thread: withThread(family, size),
      bore: inches(pipeBores[size]!),
      flats: flats(...pipeFlats[size]!),
      length: mm(12) + inchOf(size) / 2,
      nominal: inchOf(size),
    }),
  );

const ofMetric = (family: FamilyKey) =>
  sizesOf(
    threads.filter((t) => t.family === family).map((t) => t.size),
    (size) => size.replace('x', '×'),
    (size) => ({
      thread: withThread(family, size),
      bore: mm(metricBores[size]!),
      flats: flatsMm(metricFlats[size]!, metricFlats[size]! + 3),
      length: mm(13),
      nominal: mm(metricBores[size]! * 1.15),
    }),
  );

const plain = (bore: number, nominal: number, hex = 0, length = mm(20)): PortSize => ({
  bore,
  flats: { male: hex, female: hex },
  length,
  nominal,
});
const ofBarb = sizesOf(
  barbSizes,
  (s) => s,
  (s) => plain(mm(barbBores[s]!), inchOf(s)),
);
const inchTubes = sizesOf(
  barbSizes,
  (s) => s,
  (s) => plain(mm(tubeBores[s]!), inchOf(s), 0, 0),
);
const mmTubes = sizesOf(
  Object.keys(metricTubes) as (keyof typeof metricTubes)[],
  (s) => s,
  (s) => plain(mm(metricTubes[s]), mm(Number.parseInt(s, 10)), 0, 0),
);
/** Hose goes by inches: a tube of 8 or 10 mm is beaded for the inch size next to it. */
const beaded = Object.fromEntries(Object.entries(inchTubes).map(([s, row]) => [s, { ...row, length: mm(25) }]));
const ferruled = Object.fromEntries(
  Object.entries({ ...inchTubes, ...mmTubes }).map(([s, row]) => {
    const nut = row.nominal * 1.6 + mm(2);
    return [s, { ...row, length: mm(16), flats: { male: nut, female: nut } }];
  }),
);
/** Strainers push onto the neck of a pump: by the neck's outside, typical, from memory. */
const neckSizes = { '8 mm': 8, '10 mm': 10, '11 mm': 11, '14 mm': 14, '19 mm': 19 } as const;
const necks = sizesOf(
  Object.keys(neckSizes) as (keyof typeof neckSizes)[],
  (s) => s,
  (s) => plain(mm(neckSizes[s] - 2), mm(neckSizes[s]), 0, mm(10)),
);
/** Hose that takes a hose end, by dash size; PTFE hose has ends of its own. */
const liners = ['', ' PTFE'] as const;
/** How much narrower the nipple of a hose end is than its hose, m: typical, from memory. */
export const NIPPLE = mm(1.2);
const endSizes = dashes.filter((d) => d !== '-3' && d !== '-5');
const dashHoses = Object.fromEntries(
  liners.flatMap((liner) =>
    endSizes.map((d) => [
      `${minus(d)}${liner}`,
      plain(
        (liner === '' ? typicalHoseBore : typicalPtfeBore)(-Number(d))! - NIPPLE,
        inches(-Number(d) / 16),
        inches(dashFlats[d]![1]),
        mm(30),
      ),
    ]),
  ),
);

const sizes: Readonly<Record<PortFormKey, Readonly<Record<string, PortSize>>>> = {
  flare37: ofDash('flare37'),
  flare45: ofTube('flare45'),
  invertedFlare: ofTube('inverted'),
  oRingBoss: ofDash('orb'),
  npt: ofPipe('npt'),
  bspt: ofPipe('bspt'),
  bspp: ofPipe('bspp'),
  metricBanjo: ofMetric('metric'),
  metricORing: ofMetric('iso6149'),
  // spigots: SAE J2044, from memory
  quickConnector: {
    '5/16': plain(mm(6), mm(7.89)),
    '3/8': plain(mm(7.5), mm(9.49)),
    '1/2': plain(mm(10.4), mm(12.61)),
  },
  barb: ofBarb,
  bead: beaded,
  hose: {
    ...sizesOf(
      barbSizes,
      (s) => s,
      (s) => plain(inchOf(s), inchOf(s), 0, 0),
    ),
    ...dashHoses,
  },
  hoseEnd: dashHoses,
  neck: necks,
  tube: { ...inchTubes, ...mmTubes },
  tubeEnd: { ...inchTubes, ...mmTubes },
  ferrule: ferruled,
};

/** Every size of a form, by its name. */
export const portSizes = (form: PortFormKey): Readonly<Record<string, PortSize>> => sizes[form];
/** The size's own row; undefined for a size that the form does not have. */
export const portSize = (form: PortFormKey, size: string): PortSize | undefined => sizes[form][size];
