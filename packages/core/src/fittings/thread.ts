import type { PortForm } from './port.ts';

/** Screw thread by form and size. A form without a thread holds in another way. */
export type Thread = string;

const dashThreads: Record<string, Thread> = {
  '−3': '3/8-24',
  '−4': '7/16-20',
  '−5': '1/2-20',
  '−6': '9/16-18',
  '−8': '3/4-16',
  '−10': '7/8-14',
  '−12': '1 1/16-12',
  '−16': '1 5/16-12',
};
const barbSizes = ['3/16', '1/4', '5/16', '3/8', '1/2', '5/8', '3/4'];

/** Sizes and threads of each form. */
export const formSizes: Record<PortForm, Readonly<Record<string, Thread | undefined>>> = {
  flare37: dashThreads, // SAE J514
  oRingBoss: dashThreads, // SAE J1926-1, ISO 11926: the same threads as the 37° flare, another seal
  flare45: { '3/16': '3/8-24', '1/4': '7/16-20', '5/16': '1/2-20', '3/8': '5/8-18', '1/2': '3/4-16', '5/8': '7/8-14' }, // SAE J512
  invertedFlare: { '3/16': '3/8-24', '1/4': '7/16-24', '5/16': '1/2-20', '3/8': '5/8-18' }, // SAE J512
  npt: { '1/8': '1/8-27 NPT', '1/4': '1/4-18 NPT', '3/8': '3/8-18 NPT', '1/2': '1/2-14 NPT' }, // ASME B1.20.1
  bspt: { '1/8': '1/8-28 R', '1/4': '1/4-19 R', '3/8': '3/8-19 R', '1/2': '1/2-14 R' }, // ISO 7-1
  bspp: { '1/8': '1/8-28 G', '1/4': '1/4-19 G', '3/8': '3/8-19 G', '1/2': '1/2-14 G' }, // ISO 228-1
  metricBanjo: {
    'M10×1': 'M10×1',
    'M12×1.5': 'M12×1.5',
    'M14×1.5': 'M14×1.5',
    'M16×1.5': 'M16×1.5',
    'M18×1.5': 'M18×1.5',
  }, // common practice
  quickConnector: { '5/16': undefined, '3/8': undefined, '1/2': undefined }, // SAE J2044
  barb: Object.fromEntries(barbSizes.map((s) => [s, undefined])),
  bead: Object.fromEntries(barbSizes.map((s) => [s, undefined])),
  hose: Object.fromEntries(barbSizes.map((s) => [s, undefined])),
};

/** Threads that start in one another by hand and are taken for each other, though they never seal. Common practice. */
const confusable: readonly (readonly [Thread, Thread])[] = [
  ['M10×1', '1/8-27 NPT'],
  ['M14×1.5', '9/16-18'],
  ['M16×1.5', '5/8-18'],
  ['1/2-14 NPT', '1/2-14 R'],
  ['1/2-14 NPT', '1/2-14 G'],
];

export const areConfusable = (a: Thread, b: Thread): boolean =>
  confusable.some(([x, y]) => (a === x && b === y) || (a === y && b === x));
