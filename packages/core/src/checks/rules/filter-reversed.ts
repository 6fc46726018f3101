import type { Rule } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';

/** A filter with its arrow against the flow. */
export const filterReversed: Rule = {
  key: 'filter-reversed',
  check: ({ job }) =>
    placedOf(job, 'filter').flatMap(({ component, line, index }) =>
      component.reversed !== true
        ? []
        : [
            {
              grade: 'fix',
              stage: 'run',
              component: component.id,
              path: ['run', line, index, 'reversed'],
              what: `The arrow on ${quoted(component)} points against the flow.`,
              why: 'Backwards, the element collapses and lets its dirt go downstream.',
              cure: 'Turn it round: the arrow points from the pump to the engine.',
              act: { act: 'setOnComponent', id: component.id, key: 'reversed', value: false },
              actLabel: 'Turn it round',
              source: 'common practice',
            },
          ],
    ),
};
