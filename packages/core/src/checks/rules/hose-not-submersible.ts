import type { Rule } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';
import { hoseConstruction } from '../../ratings/hose-construction.ts';

/** Inside the tank only SAE 30R10 rubber, or in-tank convoluted tube, survives. */
export const hoseNotSubmersible: Rule = {
  key: 'hose-not-submersible',
  check: ({ job }) =>
    placedOf(job, 'hose').flatMap(({ component, line, index }) => {
      if (component.immersed !== true || !component.construction || hoseConstruction(component.construction).immersible)
        return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'construction'],
          what: `${quoted(component)} lies in the tank, but ${hoseConstruction(component.construction).name} is not made for it.`,
          why: 'Ordinary hose is rated for fuel inside only: its cover softens, it comes off the pump, and the engine stops.',
          cure: 'Use SAE 30R10 hose or in-tank convoluted tube.',
          act: { act: 'setOnComponent', id: component.id, key: 'construction', value: 'r10' },
          actLabel: 'Use SAE 30R10',
          source: 'SAE J30',
        },
      ];
    }),
};
