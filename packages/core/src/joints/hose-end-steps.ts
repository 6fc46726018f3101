import type { Job } from '../job/job.ts';
import { partName } from '../parts/kinds.ts';
import type { JointFinding } from '../run/joints.ts';

/** How the end of a length of hose is made. */
export const endKinds = {
  reusable: 'two-piece, reusable hose end',
  pushOn: 'push-on hose end',
  crimped: 'crimped hose end',
  clamped: 'hose over a barb or bead, band clamp',
  banjo: 'banjo on the hose',
} as const;
export type EndKind = keyof typeof endKinds;

const MEASURE = 'Dry fit the whole line first; mark top and the wall it passes, so that no twist gets in.';
const CUT = 'Wrap tape where it is cut, cut square through the middle of the tape, blow out from the far end.';
const SPARE = 'First time: leave 150 mm spare for a second cut.';

/** What is done, in its order. Common practice; the maker’s own sheet goes first. */
export const endSteps: Readonly<Record<EndKind, readonly string[]>> = {
  reusable: [
    MEASURE,
    CUT,
    'Press the socket onto the hose by hand, turning against the braid, until the hose meets its thread.',
    'Mark the hose at the socket’s edge: if the mark moves while it is tightened, the hose is pushing out.',
    'Oil nipple and thread, start the nipple into the hose by hand, the socket held in soft jaws.',
    'Turn the nipple in until a gap of about 1 mm is left between nut and socket; line the bend up in the last turn.',
    'Look at the mark, blow out, and press test before it is fitted.',
    SPARE,
  ],
  pushOn: [
    MEASURE,
    CUT,
    'Warm the hose end in hot water, never with a flame; oil the barbs.',
    'Push straight on in one go until the hose lies under the collar; no clamp on hose made for it.',
    'Pull on it by hand. Used once: a hose that comes off is cut back, never pushed on again.',
    SPARE,
  ],
  crimped: [
    MEASURE,
    CUT,
    'Collar on first, then the nipple to its stop; mark the hose at the collar.',
    'Crimp with the die for that hose and collar, and measure the crimp across three flats against its table.',
    'Look at the mark and press test. Not to be done without the press: have it made.',
  ],
  clamped: [
    'Deburr and wipe barb or bead; no sealant and no oil that the fuel does not like.',
    CUT,
    'Clamp on first, then the hose past the bead or over every barb.',
    'Band clamp behind the bead, its ends even, drawn up until it no longer turns by hand; look again when hot.',
  ],
  banjo: [
    MEASURE,
    CUT,
    'Make the end as a reusable one, the banjo pointing the way it will sit.',
    'Two new washers, one on either side; hold the banjo while the bolt is drawn up.',
  ],
};

/** The two ends of one length of hose, as they are made. */
export interface HoseEnds {
  readonly part: string;
  readonly name: string;
  readonly ends: readonly { readonly joint: number; readonly kind: EndKind; readonly what: string }[];
}

/** Every hose with ends to make, in the order of the fuel. */
export function hoseEnds(job: Job, joints: readonly JointFinding[]): HoseEnds[] {
  const byHose = new Map<string, HoseEnds['ends'][number][]>();
  for (const joint of joints) {
    const { from, to, chain, meetings } = joint;
    for (const id of [from, to]) {
      if (job.parts[id]?.kind !== 'hose' || meetings.length === 0) continue;
      const own = id === from ? chain[0] : chain.at(-1);
      const met = id === from ? meetings[0]! : meetings.at(-1)!;
      if (!met.mating.mates) continue;
      const isEnd = met.mating.seal === 'hoseEnd';
      const kind: EndKind = !isEnd ? 'clamped' : own?.shape === 'banjo' ? 'banjo' : (own?.making ?? 'reusable');
      const what = isEnd ? (own?.name ?? endKinds[kind]) : endKinds.clamped;
      (byHose.get(id) ?? byHose.set(id, []).get(id)!).push({ joint: joint.number, kind, what });
    }
  }
  return [...byHose].map(([part, ends]) => ({ part, name: partName(job.parts[part]!), ends }));
}
