import { mm } from '../units/quick.ts';
import type { Thread } from '../threads/thread.ts';
import { portForm, type PortFormKey, type Seal } from './port-form.ts';
import { portSize } from './port-size.ts';
import type { Port } from './port.ts';

type Gender = Port['gender'];

/** Two ends that seal on each other where their sizes are of one name. */
interface Seating {
  readonly a: readonly [PortFormKey, Gender];
  readonly b: readonly [PortFormKey, Gender];
  readonly seal: Seal;
  readonly note?: string;
}

const withItself = (form: PortFormKey, note?: string): Seating => ({
  a: [form, 'male'],
  b: [form, 'female'],
  seal: portForm(form).seal,
  ...(note === undefined ? {} : { note }),
});

/** What seals on what: all that is not here does not. */
export const seatings: readonly Seating[] = [
  withItself(
    'flare37',
    'Hydraulic and aviation 37° ends mate: the cone is the same, only the class of thread differs.',
  ),
  withItself('flare45'),
  withItself('invertedFlare'),
  withItself('oRingBoss'),
  withItself('npt', 'NPT and NPTF are cut to one size; fuel wants sealant on both.'),
  withItself('bspt'),
  withItself('bspp'),
  withItself('metricBanjo'),
  withItself('metricORing'),
  withItself('quickConnector'),
  withItself('neck'),
  {
    a: ['bspt', 'male'],
    b: ['bspp', 'female'],
    seal: 'taperedThread',
    note: 'A taper R in a parallel Rp seals on its thread: ISO 7-1.',
  },
  { a: ['barb', 'male'], b: ['hose', 'female'], seal: 'clampedHose' },
  { a: ['bead', 'male'], b: ['hose', 'female'], seal: 'clampedHose' },
  { a: ['hoseEnd', 'male'], b: ['hose', 'female'], seal: 'hoseEnd' },
  { a: ['tube', 'male'], b: ['ferrule', 'female'], seal: 'ferrule' },
  { a: ['tube', 'male'], b: ['tubeEnd', 'female'], seal: 'formed' },
];

const endKey = (form: PortFormKey, gender: Gender) => `${form} ${gender}`;
const seatingOf = new Map<string, Seating>(
  seatings.flatMap((s) => [
    [`${endKey(...s.a)} ${endKey(...s.b)}`, s],
    [`${endKey(...s.b)} ${endKey(...s.a)}`, s],
  ]),
);

/** Ends of one thread that are taken for each other, and why they leak. Common practice. */
const lookAlikeReasons: readonly { readonly forms: readonly [PortFormKey, PortFormKey]; readonly why: string }[] = [
  { forms: ['flare37', 'oRingBoss'], why: 'a plain 37° end has no O-ring and its cone finds no seat in the boss' },
  { forms: ['flare37', 'flare45'], why: 'cones of 37° and 45° touch on a line only' },
  {
    forms: ['flare37', 'invertedFlare'],
    why: 'an inverted flare seals on a seat that stands inside, a 37° end on its own cone',
  },
  {
    forms: ['flare45', 'invertedFlare'],
    why: 'an inverted flare seals on a seat that stands inside, a 45° end on its own cone',
  },
  { forms: ['flare45', 'oRingBoss'], why: 'a 45° end has no O-ring and its cone finds no seat in the boss' },
  {
    forms: ['metricBanjo', 'metricORing'],
    why: 'the O-ring port has a chamfer where the washer would lie, and a plain end has no O-ring',
  },
  {
    forms: ['invertedFlare', 'oRingBoss'],
    why: 'a tube nut seals on its flared tube, and the boss has no seat for that',
  },
];

export type Mismatch =
  | { readonly code: 'unknownSize'; readonly size: string }
  /** They screw together and do not seal. */
  | { readonly code: 'screwsOn'; readonly thread: string; readonly why?: string }
  /** Other threads, which start by hand and then ruin each other. */
  | { readonly code: 'lookAlike'; readonly threads: readonly [string, string]; readonly why: string }
  | { readonly code: 'differentForms' }
  | { readonly code: 'differentSizes' }
  | { readonly code: 'sameGender' }
  /** A hose on plain tube without a bead. */
  | { readonly code: 'noBead' };

/** What two ports make: a joint that seals, or why they do not. */
export type Mating =
  | { readonly mates: true; readonly seal: Seal; readonly note?: string }
  | { readonly mates: false; readonly mismatch: Mismatch };

const no = (mismatch: Mismatch): Mating => ({ mates: false, mismatch });

/** Whether two ports make a joint that holds and seals, by the standards of their forms. The same from both sides. */
export function mate(a: Port, b: Port): Mating {
  for (const port of [a, b]) if (!portSize(port.form, port.size)) return no({ code: 'unknownSize', size: port.size });
  const seating = seatingOf.get(`${endKey(a.form, a.gender)} ${endKey(b.form, b.gender)}`);
  if (seating && a.size === b.size)
    return { mates: true, seal: seating.seal, ...(seating.note === undefined ? {} : { note: seating.note }) };
  const [one, other] = [portSize(a.form, a.size)!.thread, portSize(b.form, b.size)!.thread];
  if (one && other) {
    const named = { threads: [sayOf(a, one), sayOf(b, other)] as const };
    if (a.gender === b.gender)
      return no({ code: a.form === b.form && a.size !== b.size ? 'differentSizes' : 'sameGender' });
    if (isSameScrew(one, other)) return no({ code: 'screwsOn', thread: one.designation, why: whyNot(a.form, b.form) });
    if (startsByHand(one, other)) return no({ code: 'lookAlike', ...named, why: difference(one, other) });
    return no({ code: a.form === b.form ? 'differentSizes' : 'differentForms' });
  }
  const forms = new Set([a.form, b.form]);
  if (forms.has('tube') && forms.has('hose')) return no({ code: 'noBead' });
  if (a.form === b.form) return no({ code: a.size === b.size ? 'sameGender' : 'differentSizes' });
  return no({ code: seating ? 'differentSizes' : 'differentForms' });
}

const whyNot = (a: PortFormKey, b: PortFormKey) =>
  lookAlikeReasons.find(({ forms }) => forms.includes(a) && forms.includes(b))?.why;

const sayOf = (port: Port, thread: Thread): string =>
  (
    ({ npt: `${thread.designation} NPT`, bspt: `${thread.designation} R`, bspp: `${thread.designation} G` }) as Partial<
      Record<PortFormKey, string>
    >
  )[port.form] ?? thread.designation.replace('x', '×');

const SAME = mm(0.001);
const isSameScrew = (a: Thread, b: Thread) =>
  Math.abs(a.major - b.major) < SAME &&
  Math.abs(a.pitch - b.pitch) < 1e-9 &&
  a.flankAngle === b.flankAngle &&
  a.taper === b.taper;

/** A turn or two goes in by hand while pitches and diameters are as near as this; common practice. */
const NEAR_PITCH = 0.07;
const NEAR_DIAMETER = mm(0.65);

/** Threads that start in one another by hand and are taken for each other. */
export const startsByHand = (a: Thread, b: Thread): boolean =>
  Math.abs(a.pitch / b.pitch - 1) < NEAR_PITCH && Math.abs(a.readMale - b.readMale) < NEAR_DIAMETER;

function difference(a: Thread, b: Thread): string {
  const told = [
    a.flankAngle !== b.flankAngle ? 'flanks of 60° meet flanks of 55°' : '',
    a.taper !== b.taper ? 'one is tapered, the other parallel' : '',
    Math.abs(a.pitch - b.pitch) > 1e-9
      ? `the pitch is ${Math.round((Math.abs(a.pitch - b.pitch) / Math.max(a.pitch, b.pitch)) * 1000) / 10} % off`
      : '',
    Math.abs(a.readMale - b.readMale) > mm(0.05)
      ? `the diameter ${Math.round(Math.abs(a.readMale - b.readMale) * 1e5) / 100} mm`
      : '',
  ];
  return told.filter((t) => t !== '').join(', ');
}

/** In words, for a snag and for the joint list. */
export function sayMismatch(mismatch: Mismatch, a: Port, b: Port): string {
  const [one, other] = [portForm(a.form).name, portForm(b.form).name];
  switch (mismatch.code) {
    case 'screwsOn':
      return `both carry ${mismatch.thread}, so they screw together, but ${one} and ${other} do not seal on each other${mismatch.why ? `: ${mismatch.why}` : ''}`;
    case 'lookAlike':
      return `${mismatch.threads.join(' and ')} start by hand and then ruin each other: ${mismatch.why}`;
    case 'differentForms':
      return `${one} and ${other} do not mate`;
    case 'differentSizes':
      return `sizes ${a.size} and ${b.size} do not mate`;
    case 'sameGender':
      return `both are ${a.gender}`;
    case 'noBead':
      return 'a clamp does not hold hose on plain tube: roll a bead on it';
    case 'unknownSize':
      return `${mismatch.size} is not a size of that form`;
  }
}
