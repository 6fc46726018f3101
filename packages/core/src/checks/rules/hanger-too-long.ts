import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import type { Job } from '../../job/job.ts';
import { partsOfKind } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

const hasSock = (job: Job): boolean => (job.hanger?.sockThickness?.si ?? 0) > 0 || partsOfKind(job, 'sock').length > 0;

/** A hanger that stands on the floor before its plate lies on the gasket, or before the gasket is squeezed. */
export const hangerTooLong: Rule = {
  key: 'hanger-too-long',
  check: ({ job, hanger: { stand } }) => {
    if (!stand) return [];
    const base = {
      stage: 'hanger',
      path: ['hanger', 'stack'],
      act: { act: 'set', path: ['hanger', 'stack'], value: measured(stand.wanted, 'mm') },
      actLabel: 'Set it to the height that suits',
      figure: { label: 'stack height', ...figure('length', stand.stack) },
      source: 'geometry; common practice',
    } as const;
    if (job.hanger?.hold === 'sprung') {
      const pressed = stand.stack - stand.plateSeated;
      if (pressed <= stand.mayBePressed) return [];
      return [
        {
          ...base,
          grade: 'stop',
          what: 'The hanger’s springs go solid before the plate is down.',
          limit: {
            label: 'plate to floor and spring travel',
            ...figure('length', stand.plateSeated + stand.mayBePressed),
          },
          why: 'The plate cannot be drawn down onto its gasket, and the tank leaks at its top.',
          cure: 'Shorten the rods, or use springs with more travel.',
        },
      ];
    }
    // what touches first is the sock, and it gives
    const give = hasSock(job) ? stand.mayBePressed : 0;
    if (-stand.gapLoose > give)
      return [
        {
          ...base,
          grade: 'stop',
          what: 'The hanger is longer than the tank is deep.',
          limit: {
            label: `plate on its loose gasket, to the floor${give > 0 ? ', and what the sock gives' : ''}`,
            ...figure('length', stand.plateLoose + give),
          },
          why: 'It stands on the floor before the plate touches the gasket: the tank never seals, or the floor is bent.',
          cure: 'Shorten rods and tubes; set the stack height again and re-check it in the tank.',
        },
      ];
    if (-stand.gap > give && give === 0)
      return [
        {
          ...base,
          grade: 'fix',
          what: 'The hanger touches the floor before the gasket is seated.',
          limit: { label: 'plate on its squeezed gasket, to the floor', ...figure('length', stand.plateSeated) },
          why: 'The last turns of the nuts press the hanger into the floor instead of the gasket into its seat.',
          cure: 'Shorten rods and tubes so that it hangs just off the floor.',
        },
      ];
    return [];
  },
};
