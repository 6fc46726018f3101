import { degrees, inches, mm } from '../units/quick.ts';
import {
  gaugeOf,
  metricThread,
  taperPipeThread,
  unifiedThread,
  whitworthPipeThread,
  type ThreadForm,
} from './thread-form.ts';

/** Where a screwed end seals: on a cone, an O-ring, its own taper, a face; or nowhere, as a plain screw. */
export type Seat = 'cone37' | 'cone45' | 'invertedSeat' | 'oRingBoss' | 'metricORingBoss' | 'thread' | 'face' | 'none';

export type Gender = 'male' | 'female';

/** What a person sees at the end of a thread without any tool. */
export const looks = {
  cone: 'a cone at the end or inside',
  nut: 'a tube nut, nothing at its end',
  inverted: 'a hollow with a cone standing in it',
  oring: 'an O-ring or a chamfer for one',
  none: 'neither cone nor O-ring',
} as const;
export type Look = keyof typeof looks;

/** A family of threads by one standard. */
export interface ThreadFamily {
  readonly name: string;
  readonly standard: string;
  readonly seat: Seat;
  readonly look: Readonly<Record<Gender, Look>>;
}
const family = (
  name: string,
  standard: string,
  seat: Seat,
  male: Look = 'none',
  female: Look = male,
): ThreadFamily => ({
  name,
  standard,
  seat,
  look: { male, female },
});

export const threadFamilies = {
  flare37: family('37° flare', 'SAE J514', 'cone37', 'cone'),
  orb: family('O-ring boss', 'SAE J1926-1', 'oRingBoss', 'oring'),
  flare45: family('45° flare', 'SAE J512', 'cone45', 'cone'),
  inverted: family('inverted flare', 'SAE J512', 'invertedSeat', 'nut', 'inverted'),
  unf: family('unified fine, a plain screw', 'ASME B1.1', 'none'),
  unc: family('unified coarse, a plain screw', 'ASME B1.1', 'none'),
  npt: family('tapered pipe, NPT', 'ASME B1.20.1', 'thread'),
  bspt: family('tapered pipe, BSPT (R)', 'ISO 7-1', 'thread'),
  bspp: family('parallel pipe, BSPP (G)', 'ISO 228-1', 'face'),
  metric: family('metric fine, banjo or washer', 'ISO 261 and ISO 724', 'none'),
  iso6149: family('metric O-ring port', 'ISO 6149-1', 'metricORingBoss', 'oring'),
} as const satisfies Record<string, ThreadFamily>;
export type FamilyKey = keyof typeof threadFamilies;

/** One thread by family and size. */
export interface Thread extends ThreadForm {
  /** `flare37:-6`, `npt:1/4-18`, `metric:M14x1.5` */
  readonly code: string;
  readonly family: FamilyKey;
  /** Its size as the family counts: `-6`, `3/8`, `1/4-18`. */
  readonly size: string;
  /** `9/16-18` */
  readonly designation: string;
}

/** Which screw thread belongs to which size: from memory of the standards' tables, as their formulas need only this. */
const unifiedOf: Readonly<Partial<Record<FamilyKey, Readonly<Record<string, string>>>>> = {
  flare37: {
    '-3': '3/8-24',
    '-4': '7/16-20',
    '-5': '1/2-20',
    '-6': '9/16-18',
    '-8': '3/4-16',
    '-10': '7/8-14',
    '-12': '1 1/16-12',
    '-16': '1 5/16-12',
  },
  orb: {
    '-3': '3/8-24',
    '-4': '7/16-20',
    '-5': '1/2-20',
    '-6': '9/16-18',
    '-8': '3/4-16',
    '-10': '7/8-14',
    '-12': '1 1/16-12',
    '-16': '1 5/16-12',
  },
  flare45: { '3/16': '3/8-24', '1/4': '7/16-20', '5/16': '1/2-20', '3/8': '5/8-18', '1/2': '3/4-16', '5/8': '7/8-14' },
  inverted: { '3/16': '3/8-24', '1/4': '7/16-24', '5/16': '1/2-20', '3/8': '5/8-18', '1/2': '3/4-18' },
};
const plainScrews = {
  unf: ['1/4-28', '5/16-24', '3/8-24', '7/16-20', '1/2-20', '9/16-18', '5/8-18', '3/4-16', '7/8-14'],
  unc: ['1/4-20', '5/16-18', '3/8-16', '7/16-14', '1/2-13'],
} as const;
/** Outside diameter of the pipe and hand-tight length L1, in, with the threads per inch: ASME B1.20.1 table 2, from memory. */
const pipes: Readonly<Record<string, readonly [number, number, number]>> = {
  '1/16': [0.3125, 0.16, 27],
  '1/8': [0.405, 0.1615, 27],
  '1/4': [0.54, 0.2278, 18],
  '3/8': [0.675, 0.24, 18],
  '1/2': [0.84, 0.32, 14],
  '3/4': [1.05, 0.339, 14],
  '1': [1.315, 0.4, 11.5],
};
/** Major diameter, gauge length, useful length, mm, and threads per inch: ISO 228-1 and ISO 7-1, from memory. */
const whitworth: Readonly<Record<string, readonly [number, number, number, number]>> = {
  '1/8': [9.728, 4, 6.5, 28],
  '1/4': [13.157, 6, 9.7, 19],
  '3/8': [16.662, 6.4, 10.1, 19],
  '1/2': [20.955, 8.2, 13.2, 14],
  '3/4': [26.441, 9.5, 14.5, 14],
  '1': [33.249, 10.4, 16.8, 11],
};
const metricSizes = ['M8x1', 'M10x1', 'M12x1.5', 'M14x1.5', 'M16x1.5', 'M18x1.5', 'M20x1.5', 'M22x1.5'] as const;

/** `1 1/16` as a number of inches. */
export const inchFraction = (text: string): number =>
  text.split(' ').reduce((sum, word) => {
    const [above, below = '1'] = word.split('/');
    return sum + Number(above) / Number(below);
  }, 0);

function unified(key: FamilyKey, size: string, designation: string): Thread {
  const at = designation.lastIndexOf('-');
  const form = unifiedThread(inches(inchFraction(designation.slice(0, at))), Number(designation.slice(at + 1)));
  return { code: `${key}:${size}`, family: key, size, designation, ...form };
}

function allThreads(): Thread[] {
  const list: Thread[] = [];
  for (const key of Object.keys(unifiedOf) as FamilyKey[])
    for (const [size, designation] of Object.entries(unifiedOf[key]!)) list.push(unified(key, size, designation));
  for (const key of ['unf', 'unc'] as const) for (const size of plainScrews[key]) list.push(unified(key, size, size));
  for (const [size, [pipe, handTight, threads]] of Object.entries(pipes)) {
    const designation = `${size}-${threads}`;
    const form = taperPipeThread(inches(pipe), inches(handTight), threads);
    list.push({ code: `npt:${designation}`, family: 'npt', size: designation, designation, ...form });
  }
  for (const key of ['bspt', 'bspp'] as const)
    for (const [size, [major, gauge, useful, threads]] of Object.entries(whitworth)) {
      const designation = `${size}-${threads}`;
      const form = whitworthPipeThread(mm(major), threads, key === 'bspt' ? gaugeOf(gauge, useful) : undefined);
      list.push({ code: `${key}:${designation}`, family: key, size: designation, designation, ...form });
    }
  for (const key of ['metric', 'iso6149'] as const)
    for (const size of metricSizes) {
      const [major, pitch] = size.slice(1).split('x');
      const form = metricThread(mm(Number(major)), mm(Number(pitch)));
      list.push({ code: `${key}:${size}`, family: key, size, designation: size, ...form });
    }
  return list;
}

/** Every thread that Endrel knows. */
export const threads: readonly Thread[] = allThreads();
const byCode = new Map(threads.map((t) => [t.code, t]));
export const threadByCode = (code: string): Thread | undefined => byCode.get(code);

export const lookOf = (thread: Thread, gender: Gender): Look => threadFamilies[thread.family].look[gender];
export const seatOf = (thread: Thread): Seat => threadFamilies[thread.family].seat;
/** Threads per inch, where the thread is counted so. */
export const threadsPerInch = ({ designation, pitch }: Thread): number | undefined =>
  designation.startsWith('M') ? undefined : Math.round((inches(1) / pitch) * 10) / 10;

/** Half of the cone's included angle, rad, of seats that are cones. */
export const coneAngle: Readonly<Partial<Record<Seat, number>>> = {
  cone37: degrees(37),
  cone45: degrees(45),
  invertedSeat: degrees(45),
};

/** `37° flare −6 (9/16-18)` */
export function sayThread({ family: key, size, designation }: Thread): string {
  const name = threadFamilies[key].name;
  const plain = size.replace('-', size.startsWith('-') ? '−' : '-').replace('x', '×');
  return size === designation ? `${name} ${plain}` : `${name} ${plain} (${designation})`;
}
