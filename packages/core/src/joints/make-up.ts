import type { Seal } from '../fittings/port-form.ts';
import { portSize } from '../fittings/port-size.ts';
import type { Port } from '../fittings/port.ts';
import type { Meeting } from '../run/joints.ts';
import type { Joint } from '../parts/joint.ts';

/** How tightly a joint is drawn up. */
export type Tightening =
  /** N·m. */
  | { readonly by: 'torque'; readonly least: number; readonly most: number; readonly flats?: number }
  /** Turns past finger-tight. */
  | { readonly by: 'turns'; readonly least: number; readonly most: number }
  | { readonly by: 'hand'; readonly how: string };

/** How one joint is made up. */
export interface MakeUp {
  readonly seal: Seal;
  readonly goesOn: string;
  /** What of it has to be bought, as it is bought; absent for nothing, and for what every shop has. */
  readonly bought?: string;
  /** Across flats of what is turned and of what is held, m, as far as they have flats. */
  readonly spanners: readonly number[];
  readonly tightening: Tightening;
  readonly source: string;
}

const MEMORY = 'typical, from memory: the maker’s figure goes first';
/** N·m by dash size of plated steel, and flats past finger-tight of a new flare: SAE J514 tables, from memory. */
const flareTorque: Readonly<Record<string, readonly [least: number, most: number, flats: number]>> = {
  '−3': [9, 12, 2],
  '−4': [15, 17, 2],
  '−5': [19, 22, 2],
  '−6': [24, 29, 1.5],
  '−8': [49, 53, 1],
  '−10': [77, 85, 1],
  '−12': [107, 119, 1],
  '−16': [147, 154, 1],
};
/** N·m of O-ring bosses in steel: SAE J1926-2, from memory. */
const bossTorque: Readonly<Record<string, readonly [number, number]>> = {
  '−3': [11, 14],
  '−4': [19, 22],
  '−5': [24, 27],
  '−6': [33, 35],
  '−8': [68, 81],
  '−10': [98, 108],
  '−12': [169, 183],
  '−16': [271, 298],
};
/** N·m on washers by thread: typical, from memory. */
const washerTorque: Readonly<Record<string, readonly [number, number]>> = {
  'M8×1': [10, 13],
  'M10×1': [15, 20],
  'M12×1.5': [20, 27],
  'M14×1.5': [27, 35],
  'M16×1.5': [35, 45],
  'M18×1.5': [45, 55],
  'M20×1.5': [50, 65],
  'M22×1.5': [60, 75],
  '1/16': [10, 13],
  '1/8': [13, 18],
  '1/4': [25, 35],
  '3/8': [40, 50],
  '1/2': [60, 80],
  '3/4': [90, 110],
  '1': [120, 150],
};
/** Light alloy is drawn up to this share of steel: typical, from memory. */
const ALLOY = 0.6;

const scaled = ([least, most]: readonly [number, number, ...number[]], share: number): [number, number] => [
  Math.round(least * share),
  Math.round(most * share),
];

/**
 * How two ends that mate are made up.
 *
 * @param materials - of what the two ends belong to, as far as it is known; light alloy takes less torque.
 */
export function makeUp(
  { ends, mating }: Meeting,
  joint: Pick<Joint, 'clamp'>,
  materials: readonly (string | undefined)[] = [],
): MakeUp | undefined {
  if (!mating.mates) return undefined;
  const { seal } = mating;
  const spanners = [...new Set(ends.map((end) => spannerOf(end)).filter((f) => f > 0))];
  const share = [...materials, ...ends.map((e) => e.material)].includes('aluminium') ? ALLOY : 1;
  const size = ends[0].size;
  const made = { seal, ...goesOnOf(seal, ends, joint), spanners, source: MEMORY };
  const torque = (range: readonly [number, number, ...number[]], flats?: number): MakeUp => {
    const [least, most] = scaled(range, share);
    return { ...made, tightening: { by: 'torque', least, most, ...(flats === undefined ? {} : { flats }) } };
  };
  switch (seal) {
    case 'metalCone':
    case 'otherCone': {
      const dash = ends.find((e) => e.form === 'flare37')?.size;
      const [least, most, flats] = (dash === undefined ? byNominal(ends[0]) : flareTorque[dash]) ?? flareTorque['−6']!;
      return torque([least, most], flats);
    }
    case 'oRing':
      return torque(bossTorque[size] ?? washerTorque[size] ?? bossTorque['−6']!);
    case 'washer':
      return torque(washerTorque[size] ?? washerTorque['M14×1.5']!);
    case 'taperedThread':
      return { ...made, tightening: { by: 'turns', least: 2, most: 3 }, source: 'ASME B1.20.1 practice, from memory' };
    case 'ferrule':
      return { ...made, tightening: { by: 'turns', least: 1.25, most: 1.25 } };
    case 'clampedHose':
      return { ...made, tightening: hand(clampHows[joint.clamp ?? 'band']), source: 'common practice' };
    case 'hoseEnd':
      return {
        ...made,
        tightening: hand('mark the hose at the socket: if the mark moves, the hose is pushing out'),
        source: 'common practice',
      };
    case 'quickConnector':
      return { ...made, tightening: hand('push on until it clicks, then pull back on it'), source: 'SAE J2044' };
    case 'pushFit':
      return { ...made, tightening: hand('push on to its stop, retainer on'), source: 'common practice' };
    case 'formed':
      return { ...made, tightening: hand('nut and sleeve on before the flare'), source: 'common practice' };
  }
}

const hand = (how: string): Tightening => ({ by: 'hand', how });
const spannerOf = ({ form, size, gender, flats }: Port): number =>
  flats?.si ?? portSize(form, size)?.flats[gender] ?? 0;

/** Of a 45° flare by the dash size of the same tube. */
function byNominal({ form, size }: Port) {
  const nominal = portSize(form, size)?.nominal ?? 0;
  const near = Object.keys(flareTorque).find((d) => Math.abs(portSize('flare37', d)!.nominal - nominal) < 1e-4);
  return near === undefined ? undefined : flareTorque[near];
}

const clampHows: Record<NonNullable<Joint['clamp']>, string> = {
  band: 'band clamp behind the bead, drawn up until it no longer turns by hand',
  worm: 'worm-drive clamp, its edge not cutting the hose',
  crimped: 'sleeve crimped to its gauge',
  hoseEnds: 'hose end to suit the hose',
  none: 'pushed on to the stop; no clamp on hose made for it',
};

function goesOnOf(
  seal: Seal,
  ends: readonly Port[],
  { clamp }: Pick<Joint, 'clamp'>,
): Pick<MakeUp, 'goesOn' | 'bought'> {
  const { size } = ends[0]!;
  switch (seal) {
    case 'oRing':
      return { goesOn: 'an oiled O-ring', bought: `O-ring for a boss ${size}` };
    case 'taperedThread':
      return { goesOn: 'liquid sealant on the male thread only' };
    case 'washer':
      return ends.some((e) => e.form === 'metricBanjo' && e.swivel)
        ? { goesOn: 'two new washers', bought: `Pair of sealing washers ${size}` }
        : { goesOn: 'a new washer', bought: `Sealing washer ${size}` };
    case 'clampedHose':
      if (clamp === 'none') return { goesOn: 'nothing' };
      if (clamp === 'worm') return { goesOn: 'a worm-drive clamp', bought: `Worm-drive clamp for hose ${size}` };
      if (clamp === 'crimped') return { goesOn: 'a crimp sleeve', bought: `Crimp sleeve for hose ${size}` };
      return { goesOn: 'a band clamp', bought: `Band clamp, injection type, for hose ${size}` };
    case 'hoseEnd':
      return { goesOn: 'a drop of oil on nipple and thread' };
    case 'quickConnector':
      return { goesOn: 'a drop of oil on the spigot' };
    case 'ferrule':
      return { goesOn: 'a new ferrule', bought: `Ferrule ${size}` };
    case 'metalCone':
    case 'otherCone':
    case 'pushFit':
    case 'formed':
      return { goesOn: 'nothing' };
  }
}

/** What a joint wants on it, as its own field says it. */
export const rightSealant = (seals: readonly Seal[]): 'liquid' | 'none' =>
  seals.includes('taperedThread') ? 'liquid' : 'none';
