import { COARSE } from '../../parts/filter-element.ts';
import { figure } from '../../units/quantity.ts';
import { circuits, partsOfKind } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Nothing finer than a strainer between pump and injectors. */
export const noFineFilter: Rule = {
  key: 'no-fine-filter',
  check: ({ job }) => {
    const run = circuits(job);
    const [rail] = partsOfKind(job, 'rail');
    if (!rail || run.pumps.length === 0) return [];
    const filters = partsOfKind(job, 'filter', 'filterRegulator').filter((f) => run.isOnPressure(f.id));
    // one whose rating is not read yet asks for that itself
    if (filters.some((f) => f.rating === undefined || f.rating.si < COARSE)) return [];
    const finest = filters.flatMap((f) => (f.rating ? [f.rating.si] : [])).sort((a, b) => a - b)[0];
    return [
      {
        grade: 'fix',
        stage: 'run',
        part: rail.id,
        what: 'There is no fine filter between pump and injectors.',
        ...(finest !== undefined && {
          figure: { label: 'finest', ...figure('length', finest) },
          limit: { label: 'finer than', ...figure('length', COARSE) },
        }),
        why: 'What the pump wears off and the tank sheds goes into the injectors and the regulator’s seat.',
        cure: 'Put a 10 µm filter behind the pump, where it can be changed.',
        source: 'common practice',
      },
    ];
  },
};
