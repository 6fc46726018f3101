import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import { mm } from '../../units/quick.ts';
import type { Rule } from '../snag.ts';

const SLACK = mm(5); // above the lowest floor, common practice

/** A pickup that does not stand where the fuel gathers. */
export const pickupNotLowest: Rule = {
  key: 'pickup-not-lowest',
  check: ({ hanger: { pickup } }) => {
    if (pickup?.aboveLowest === undefined || pickup.aboveLowest <= SLACK) return [];
    return [
      {
        grade: 'fix',
        stage: 'hanger',
        path: ['hanger', 'openingForward'],
        what: 'The pickup does not stand at the tank’s low point.',
        figure: { label: 'floor under it, above the lowest', ...figure('length', pickup.aboveLowest) },
        limit: { label: 'at most', ...figure('length', SLACK) },
        why: words`Fuel gathers where the pump cannot reach it${pickup.belowIt ? words`: ${figure('volume', pickup.belowIt)} stay below the pickup` : ''}.`,
        cure: 'Place the opening over the sump, or carry the pickup into it with a submersible hose.',
        source: 'geometry',
      },
    ];
  },
};
