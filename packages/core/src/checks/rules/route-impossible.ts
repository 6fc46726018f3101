import { sayLineFault } from '../../routes/say.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Routes that no line can take as they are told: places that coincide, a way straight back. */
export const routeImpossible: Rule = {
  key: 'route-impossible',
  check: ({ job, routes }) =>
    routes.lines.flatMap((line): SnagReport[] => {
      const { fault } = line;
      if (!fault || fault.code === 'tooShort') return []; // a hose that is too short has a snag of its own
      const isVent = line.kind === 'vent';
      return [
        {
          grade: 'stop',
          ...(isVent ? {} : { part: line.part }),
          which: fault.code,
          stage: 'routes',
          path: isVent ? ['routes', 'vent', 'through'] : ['routes', 'lines', line.part, 'through'],
          what: `${isVent ? 'The vent' : quotedId(job, line.part)} cannot go the way that it is told to.`,
          why: `${sayLineFault(fault)} Places are counted from its start.`,
          cure: 'Measure the places that it goes through again, or take one out.',
          source: 'geometry',
        },
      ];
    }),
};
