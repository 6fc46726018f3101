import { LEAST_PUMP_MARGIN } from '../../run/limits.ts';
import { figure } from '../../units/quantity.ts';
import { pointNames } from '../../run/operating-point.ts';
import { circuits } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Less flow in hand than 15 % over full load in the hot, low-voltage case. */
export const pumpMargin: Rule = {
  key: 'pump-margin',
  check: ({ job, solution }) => {
    const margin = solution?.margin;
    if (!margin || margin.margin >= LEAST_PUMP_MARGIN) return [];
    return [
      {
        grade: margin.margin < 0 ? 'stop' : 'fix',
        stage: 'run',
        part: circuits(job).pumps[0],
        what:
          margin.margin < 0
            ? `The pump cannot feed the engine at ${pointNames[margin.point]}.`
            : `The pump has too little in hand at ${pointNames[margin.point]}.`,
        figure: { label: 'can deliver', ...figure('volumeFlow', margin.available) },
        limit: { label: 'full load and 15 %', ...figure('volumeFlow', margin.needed * (1 + LEAST_PUMP_MARGIN)) },
        why: 'Pumps wear, filters clog and batteries sag: what is only just enough on paper runs lean on the road.',
        cure: 'Use a larger pump or a second one, thicker wire for more voltage, or a larger bore in the feed.',
        source: 'computed; margin 15 %, common practice',
      },
    ];
  },
};
