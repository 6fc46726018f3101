import { figure } from '../../units/quantity.ts';
import { partsOfKind, quoted } from '../reading.ts';
import type { Rule } from '../snag.ts';

/** An external pump above the tank outlet never primes: injection pumps do not lift fuel from dry. */
export const pumpAboveOutlet: Rule = {
  key: 'pump-above-outlet',
  check: ({ job }) =>
    partsOfKind(job, 'pump').flatMap((part) => {
      const outlet = job.survey.tank.outletHeight;
      if (part.place !== 'external' || !part.inletHeight || !outlet) return [];
      if (part.inletHeight.si <= outlet.si) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'inletHeight'],
          what: `${quoted(part)} sits above the tank outlet.`,
          figure: { label: 'pump inlet', ...figure('length', part.inletHeight.si) },
          limit: { label: 'tank outlet', ...figure('length', outlet.si) },
          why: 'Such a pump does not lift fuel from dry: it never primes, and running dry kills it.',
          cure: 'Mount the pump below the outlet, or put it in the tank.',
          source: 'common practice',
        },
      ];
    }),
};
