import { resultsOf } from '../../run/solve-run.ts';
import { wordsFor } from '../engine-words.ts';
import { figure } from '../../units/quantity.ts';
import { formatNumber } from '../../units/format-quantity.ts';
import { partsOfKind } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

const FIX_BELOW = 0.95; // of the wanted pressure, common practice
const STOP_BELOW = 0.85; // 8 % less injector flow: leaner than an engine at full load should be

/** Injectors, or the pump of a direct-injection engine, that do not get the wanted pressure where the engine burns fuel. */
export const railPressureLow: Rule = {
  key: 'rail-pressure-low',
  check: ({ job, solution }) => {
    const wanted = job.brief.railPressure?.si;
    if (!solution || wanted === undefined || job.brief.induction !== 'injection') return [];
    const burning = resultsOf(solution).filter((r) => r.point.demand > 0);
    const worst = burning.reduce((a, b) => (b.injectorPressure < a.injectorPressure ? b : a));
    const share = worst.injectorPressure / wanted;
    if (share >= FIX_BELOW) return [];
    const lost = formatNumber((1 - Math.sqrt(Math.max(0, share))) * 100, 0);
    return [
      {
        grade: share < STOP_BELOW ? 'stop' : 'fix',
        stage: 'run',
        part: partsOfKind(job, 'rail')[0]?.id,
        what: `The rail does not hold its pressure at ${worst.point.name}.`,
        figure: {
          label: wordsFor(job, { injection: 'rail less manifold', direct: 'feed', carburettor: 'inlet' }),
          ...figure('pressure', worst.injectorPressure),
        },
        limit: { label: 'wanted', ...figure('pressure', wanted) },
        why: job.brief.direct
          ? 'The engine’s own high-pressure pump is fed too little: it draws vapour, and the engine loses power.'
          : `Injector flow goes with the square root of pressure: about ${lost} % less fuel, and a lean engine.`,
        cure: 'Open the working to see where the pressure goes: pump, voltage, filter, bore or regulator.',
        source: 'computed; limits 95 % and 85 %, common practice',
      },
    ];
  },
};
