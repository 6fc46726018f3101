import { LEAST_SUCTION_MARGIN } from '../../run/limits.ts';
import { vapourSource } from '../../fluids/vapour-pressure.ts';
import { resultsOf } from '../../run/solve-run.ts';
import { sayWorst } from '../../run/worst-suction.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** m: a choked pump that has more than this in hand at its own inlet is choked by a place before it. */
const AT_INLET = 0.02;

/** A pump whose fuel boils at its inlet, or comes close to it, at an operating point or where the extremes come together. */
export const suctionMargin: Rule = {
  key: 'suction-margin',
  check: ({ solution, fuel }) => {
    const worst = solution?.worstSuction;
    if (!worst || !fuel || fuel.family === 'diesel') return [];
    const choked = resultsOf(solution).find((r) => r.choked.length > 0);
    const { suctionMargin: margin, suctionPump, choked: drawsVapour } = worst.result;
    if (!choked && drawsVapour.length === 0 && margin >= LEAST_SUCTION_MARGIN) return [];
    const at = choked ? choked.point.name : sayWorst(worst);
    const boils = choked !== undefined || drawsVapour.length > 0;
    return [
      {
        // at a point that every drive meets it stops the engine; where all extremes come together it may
        grade: choked ? 'stop' : 'fix',
        stage: 'run',
        part: (choked?.choked ?? drawsVapour)[0] ?? suctionPump,
        what: !boils
          ? 'Hot fuel is close to boiling at the pump’s inlet.'
          : (choked ?? worst.result).suctionMargin > AT_INLET
            ? 'Hot fuel boils at a high point of the suction line.'
            : 'Hot fuel boils at the pump’s inlet.',
        figure: { label: `suction margin, head of fuel, at ${at}`, ...figure('head', choked?.suctionMargin ?? margin) },
        limit: { label: 'at least', ...figure('head', LEAST_SUCTION_MARGIN) },
        why: boils
          ? 'It is choked: it passes only what keeps its inlet at vapour pressure, noisily, and the rail loses its pressure.'
          : 'Vapour at the inlet is noise, then lost flow, then a stopped engine on a hot day.',
        cure: 'Lower the pump or raise the fuel level reckoned with, take restrictions off the suction, use a bigger bore, keep the tank cool.',
        source: `NPSH with vapour pressure by ${vapourSource(fuel)}; margin 1 m, common practice`,
      },
    ];
  },
};
