import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A filter with its arrow against the flow. */
export const filterReversed: Rule = {
  key: 'filter-reversed',
  check: ({ job }) =>
    partsOfKind(job, 'filter').flatMap((part) =>
      part.reversed !== true
        ? []
        : [
            {
              grade: 'fix',
              stage: 'run',
              part: part.id,
              path: ['parts', part.id, 'reversed'],
              what: `The arrow on ${quoted(part)} points against the flow.`,
              why: 'Backwards, the element collapses and lets its dirt go downstream.',
              cure: 'Turn it round: the arrow points from the pump to the engine.',
              act: { act: 'setOnPart', id: part.id, key: 'reversed', value: false },
              actLabel: 'Turn it round',
              source: 'common practice',
            },
          ],
    ),
};
