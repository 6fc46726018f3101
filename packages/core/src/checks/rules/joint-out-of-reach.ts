import { zoneName } from '../../routes/places-in-words.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Ends of lines where a spanner finds no room to turn. */
export const jointOutOfReach: Rule = {
  key: 'joint-out-of-reach',
  check: ({ job, routes }) =>
    routes.jointRooms.flatMap(({ line, port, nearest, needs }): SnagReport[] => {
      if (!nearest || nearest.distance >= needs) return [];
      return [
        {
          grade: 'fix',
          part: line,
          which: port,
          stage: 'routes',
          path: ['routes', 'zones', nearest.zone, 'label'],
          what: `A spanner does not turn at the ${port === 'in' ? 'start' : 'finish'} of ${quotedId(job, line)}: ${zoneName(routes, nearest.zone)} is in its way.`,
          figure: { label: 'from the middle of the nut', ...figure('length', Math.max(nearest.distance, 0)) },
          limit: { label: 'a spanner sweeps', ...figure('length', needs) },
          why: 'A joint that cannot be got at is tightened by feel, and not looked at again.',
          cure: 'Bring the joint out of there, or turn its end so that the nut stands free.',
          source: 'geometry; spanner head typical, from memory',
        },
      ];
    }),
};
