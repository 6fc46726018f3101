import { settledValue } from '../../parts/value.ts';
import { MOST_CREEP } from '../../run/limits.ts';
import { resultsOf } from '../../run/solve-run.ts';
import { figure } from '../../units/quantity.ts';
import { isConsumer, isRegulator } from '../../parts/kinds.ts';
import { wordsFor } from '../engine-words.ts';
import { circuits, flowOf } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A rail that stands above what it is to have at some point, and not for a wide-open regulator at idle, which is told apart. */
export const railPressureHigh: Rule = {
  key: 'rail-pressure-high',
  check: (findings) => {
    const { job, solution } = findings;
    const run = circuits(job);
    const regulator = run.parts.find(isRegulator);
    const consumer = run.parts.find(isConsumer);
    // without a regulator, or a controller that does the same, that is another snag
    if (!solution || (!regulator && !run.controlled)) return [];
    const above = resultsOf(solution).filter(
      (r) => r.wanted !== undefined && r.railPressure > r.wanted * (1 + MOST_CREEP),
    );
    const { idle } = solution.points;
    const creeps = regulator && flowOf(findings, 'idle', regulator.id)?.state === 'wideOpen' && above.includes(idle);
    const floods =
      consumer?.kind === 'carburettor' && above.some((r) => r.railPressure > settledValue(consumer, 'needleLimit'));
    if (above.length === 0 || creeps || floods) return [];
    const worst = above.reduce((a, b) => (b.railPressure / b.wanted! > a.railPressure / a.wanted! ? b : a));
    return [
      {
        grade: 'fix',
        stage: 'run',
        part: consumer?.id,
        what: `${wordsFor(job, { injection: 'The rail stands', direct: 'The feed stands', carburettor: 'The carburettor’s inlet stands' })} above its pressure at ${worst.point.name}.`,
        figure: { label: 'has', ...figure('pressure', worst.railPressure) },
        limit: { label: '5 % over what is wanted', ...figure('pressure', worst.wanted! * (1 + MOST_CREEP)) },
        why: wordsFor(job, {
          injection: 'Injectors bring more than the control unit reckons with: the engine runs rich there.',
          direct: 'The engine’s own pump is pressed open and its metering suffers.',
          carburettor: 'The bowl runs high: it runs rich, and close to flooding.',
        }),
        cure: 'Use a larger return or a smaller pump; a regulator with less rise over its flow; or set it where it is used.',
        source: 'computed; limit 5 %, common practice',
      },
    ];
  },
};
