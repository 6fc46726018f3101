import type { Rule } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';
import { figure } from '../../units/quantity.ts';

/** An external pump above the tank outlet never primes: injection pumps do not lift fuel from dry. */
export const pumpAboveOutlet: Rule = {
  key: 'pump-above-outlet',
  check: ({ job }) =>
    placedOf(job, 'pump').flatMap(({ component, line, index }) => {
      const outlet = job.survey.tank.outletHeight;
      if (component.place !== 'external' || !component.inletHeight || !outlet) return [];
      if (component.inletHeight.si <= outlet.si) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'inletHeight'],
          what: `${quoted(component)} sits above the tank outlet.`,
          figure: { label: 'pump inlet', ...figure('length', component.inletHeight.si) },
          limit: { label: 'tank outlet', ...figure('length', outlet.si) },
          why: 'Such a pump does not lift fuel from dry: it never primes, and running dry kills it.',
          cure: 'Mount the pump below the outlet, or put it in the tank.',
          source: 'common practice',
        },
      ];
    }),
};
