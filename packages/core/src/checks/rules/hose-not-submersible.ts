import { hoseConstruction } from '../../ratings/hose-construction.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Inside the tank only SAE 30R10 rubber, or in-tank convoluted tube, survives. */
export const hoseNotSubmersible: Rule = {
  key: 'hose-not-submersible',
  check: ({ job }) =>
    partsOfKind(job, 'hose').flatMap((part) => {
      if (part.immersed !== true || !part.construction || hoseConstruction(part.construction).immersible) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'construction'],
          what: `${quoted(part)} lies in the tank, but ${hoseConstruction(part.construction).name} is not made for it.`,
          why: 'Ordinary hose is rated for fuel inside only: its cover softens, it comes off the pump, and the engine stops.',
          cure: 'Use SAE 30R10 hose or in-tank convoluted tube.',
          act: { act: 'setOnPart', id: part.id, key: 'construction', value: 'r10' },
          actLabel: 'Use SAE 30R10',
          source: 'SAE J30',
        },
      ];
    }),
};
