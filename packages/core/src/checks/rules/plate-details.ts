import { LEAST_COLLAR } from '../../hangers/sock-adapter.ts';
import { figure } from '../../units/quantity.ts';
import { mm } from '../../units/quick.ts';
import { ethanolShare, MILD_BLEND } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

const LEAST_LAND = mm(1.5); // of metal beside a groove, common practice
const SLEEVE = mm(1.5); // a stud's hole over the stud, for the insulating sleeve's collar all round; common practice

const base = { stage: 'hanger', source: 'common practice' } as const;

/** A groove that does not fit between the hole and the studs. */
export const grooveNoRoom: Rule = {
  key: 'groove-no-room',
  check: ({ hanger: { groove } }) =>
    groove && groove.land < LEAST_LAND
      ? [
          {
            ...base,
            grade: 'fix',
            path: ['hanger', 'oRingCord'],
            what: 'The O-ring’s groove does not fit between the hole and the studs.',
            figure: { label: 'metal beside the groove', ...figure('length', groove.land) },
            limit: { label: 'at least', ...figure('length', LEAST_LAND) },
            why: 'A groove that breaks into a stud’s hole or the opening leaks there.',
            cure: 'Use a thinner cord, a larger bolt circle, or a flat gasket.',
          },
        ]
      : [],
};

/** An electrical stud whose hole leaves no room for its insulation. */
export const studNotInsulated: Rule = {
  key: 'stud-not-insulated',
  check: ({ hanger: { plate } }) =>
    (plate?.ports ?? []).flatMap(({ label, is, stud, hole }): SnagReport[] =>
      is === 'stud' && stud !== undefined && hole !== undefined && hole < stud + SLEEVE
        ? [
            {
              ...base,
              grade: 'stop',
              which: label,
              path: ['hanger', 'ports'],
              what: `The hole of “${label}” leaves no room for its insulating sleeve.`,
              figure: { label: 'hole', ...figure('length', hole) },
              limit: { label: 'stud and sleeve', ...figure('length', stud + SLEEVE) },
              why: 'A live stud that touches the plate sparks in the tank’s vapour or blows the fuse.',
              cure: 'Open the hole for a sleeve and washers of a plastic that fuel does not attack, on both sides; prove it with the meter.',
            },
          ]
        : [],
    ),
};

/** A collar turned so thin under its groove that it parts. */
export const collarTooThin: Rule = {
  key: 'collar-too-thin',
  check: ({ hanger: { adapter } }) =>
    adapter && adapter.wall < LEAST_COLLAR
      ? [
          {
            ...base,
            grade: 'fix',
            path: ['hanger', 'adapterNeck'],
            what: 'The collar for the sock would be too thin under its groove.',
            figure: { label: 'metal left', ...figure('length', adapter.wall) },
            limit: { label: 'at least', ...figure('length', LEAST_COLLAR) },
            why: 'It parts at the groove and the sock falls off: the pump then draws whatever lies on the floor.',
            cure: 'Use a sock with a wider neck, or a thinner tube.',
          },
        ]
      : [],
};

/** A pickup mat in more ethanol than its cloth and binder are commonly made for. */
export const matWithEthanol: Rule = {
  key: 'mat-with-ethanol',
  check: ({ job }) => {
    const share = ethanolShare(job);
    if (job.hanger?.pickupKind !== 'mat' || share <= MILD_BLEND) return [];
    return [
      {
        ...base,
        grade: 'fix',
        path: ['hanger', 'pickupKind'],
        what: 'A pickup mat in this much ethanol has to be one made for it.',
        figure: { label: 'ethanol', ...figure('fraction', share) },
        limit: { label: 'mats commonly stand', ...figure('fraction', MILD_BLEND) },
        why: 'Its binder softens: the mat closes under suction and starves the pump.',
        cure: 'Ask its maker for the blend by name, or draw through a sock.',
        source: 'common practice; ask the maker of the mat',
      },
    ];
  },
};
