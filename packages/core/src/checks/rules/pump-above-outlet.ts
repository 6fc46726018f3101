import { liftOf } from '../../parts/engine-pump/engine-pump.ts';
import { figure } from '../../units/quantity.ts';
import { partsOfKind, quoted } from '../reading.ts';
import type { Rule } from '../snag.ts';

/** A pump too far above the tank outlet never primes: injection pumps do not lift fuel from dry, engine-driven ones a little. */
export const pumpAboveOutlet: Rule = {
  key: 'pump-above-outlet',
  check: ({ job }) =>
    partsOfKind(job, 'pump', 'enginePump').flatMap((part) => {
      const outlet = job.survey.tank.outletHeight;
      if ((part.kind === 'pump' && part.place !== 'external') || !part.inletHeight || !outlet) return [];
      const lift = part.kind === 'enginePump' ? liftOf(part) : 0;
      if (part.inletHeight.si <= outlet.si + lift) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'inletHeight'],
          what: lift > 0 ? `${quoted(part)} sits higher above the tank outlet than it lifts fuel.` : `${quoted(part)} sits above the tank outlet.`, // prettier-ignore
          figure: { label: 'pump inlet', ...figure('length', part.inletHeight.si) },
          limit: {
            label: lift > 0 ? 'tank outlet and its lift' : 'tank outlet',
            ...figure('length', outlet.si + lift),
          },
          why:
            lift > 0
              ? 'Its own suction does not fill it from dry, and it never primes.'
              : 'Such a pump does not lift fuel from dry: it never primes, and running dry kills it.',
          cure: 'Mount the pump lower, or put one in the tank.',
          source: 'common practice',
        },
      ];
    }),
};
