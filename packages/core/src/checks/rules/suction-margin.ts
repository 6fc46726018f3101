import { LEAST_SUCTION_MARGIN } from '../../run/limits.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** Fuel that boils at the pump's inlet on a hot day. */
export const suctionMargin: Rule = {
  key: 'suction-margin',
  check: ({ solution }) => {
    if (!solution) return [];
    const { suctionMargin: margin, suctionPump } = solution.points.fullLoadHot;
    if (margin >= LEAST_SUCTION_MARGIN) return [];
    return [
      {
        grade: margin < 0 ? 'stop' : 'fix',
        stage: 'run',
        part: suctionPump,
        what: margin < 0 ? 'Hot fuel boils at the pump’s inlet.' : 'Hot fuel is close to boiling at the pump’s inlet.',
        figure: { label: 'suction margin, head of fuel', ...figure('head', margin) },
        limit: { label: 'at least', ...figure('head', LEAST_SUCTION_MARGIN) },
        why: 'Vapour at the inlet is noise, then lost flow, then a stopped engine on a hot day.',
        cure: 'Lower the pump or raise the fuel level reckoned with, take restrictions off the suction, use a bigger bore, keep the tank cool.',
        source: 'NPSH with vapour pressure by EPA AP-42 7.1; margin 1 m, common practice',
      },
    ];
  },
};
