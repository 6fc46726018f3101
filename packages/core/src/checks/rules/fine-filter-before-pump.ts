import type { Rule } from '../snag.ts';
import { isBeforePump, placedOf, pumpIndex, quoted } from '../reading.ts';
import { figure } from '../../units/quantity.ts';
import { micrometres } from '../../units/quick.ts';

const COARSEST_FINE_FILTER = micrometres(40); // coarse is 40 to 100 µm before a pump, common practice

/** A fine filter before the pump starves it. */
export const fineFilterBeforePump: Rule = {
  key: 'fine-filter-before-pump',
  check: ({ job }) =>
    placedOf(job, 'filter').flatMap((place) => {
      const { component, line, index } = place;
      if (!isBeforePump(job, place) || !component.rating || component.rating.si >= COARSEST_FINE_FILTER) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'rating'],
          what: `${quoted(component)} is a fine filter before the pump.`,
          figure: { label: 'rating', ...figure('length', component.rating.si) },
          limit: { label: 'finest before a pump', ...figure('length', COARSEST_FINE_FILTER) },
          why: 'Its drop comes off the suction, so the fuel boils at the inlet and the pump starves.',
          cure: 'Move it after the pump; before the pump use a sock or a 40 to 100 µm strainer.',
          act: { act: 'moveComponent', id: component.id, line: 'supply', index: pumpIndex(job) },
          actLabel: 'Move it after the pump',
          source: 'common practice',
        },
      ];
    }),
};
