import { figure } from '../../units/quantity.ts';
import { airPath, hasVentLine } from '../../vents/air-path.ts';
import type { Rule } from '../snag.ts';

/** A sealed cap needs a vent, and the vent's highest point must stand above the filler neck. */
export const tankVent: Rule = {
  key: 'tank-vent',
  check: ({ job }) => {
    const { cap, vent, ventHeight, fillerHeight } = job.survey.tank;
    if (airPath(job.survey.tank) === 'none')
      return [
        {
          grade: 'stop',
          stage: 'survey',
          path: ['survey', 'tank', 'vent'],
          what:
            vent === 'tied'
              ? `The tank’s breathers are tied to one another and its cap is ${cap === 'capped' ? 'closed off' : 'sealed'}: no air comes in.`
              : `The cap is ${cap === 'capped' ? 'closed off' : 'sealed'} and the tank has no vent.`,
          why: 'The pump draws the tank into a vacuum: it starves, and a thin tank collapses.',
          cure: 'Fit a vent with a roll-over valve, its highest point above the filler neck, or a vented cap where the law allows it.',
          source: 'common practice',
        },
      ];
    if (hasVentLine(job.survey.tank) && ventHeight && fillerHeight && ventHeight.si <= fillerHeight.si)
      return [
        {
          grade: 'fix',
          stage: 'survey',
          path: ['survey', 'tank', 'ventHeight'],
          what: 'The vent’s highest point is not above the filler neck.',
          figure: { label: 'vent', ...figure('length', ventHeight.si) },
          limit: { label: 'filler neck', ...figure('length', fillerHeight.si) },
          why: 'Filling pushes fuel up the vent; it then blocks, or drips where nobody looks.',
          cure: 'Carry the vent above the filler neck before it goes down, with no low place that traps fuel.',
          source: 'common practice',
        },
      ];
    return [];
  },
};
