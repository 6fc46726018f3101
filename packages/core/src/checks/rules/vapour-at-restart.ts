import { figure } from '../../units/quantity.ts';
import { isVapourExtrapolated, vapourSource } from '../../fluids/vapour-pressure.ts';
import { wordsFor } from '../engine-words.ts';
import { circuits } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';
import { isConsumer, kindOf } from '../../parts/kinds.ts';

/** Fuel that boils in a rail, or in the line to a carburettor, after the engine has stood hot. */
export const vapourAtRestart: Rule = {
  key: 'vapour-at-restart',
  check: ({ job, solution, fuel }) => {
    const restart = solution?.points.hotRestart;
    if (!restart || restart.engineVapourMargin >= 0) return [];
    const consumer = circuits(job).parts.find(isConsumer);
    const hasBowl = consumer !== undefined && kindOf(consumer).meters === 'float';
    return [
      {
        // a carburettor vents its bowl: it starts badly, but it starts
        grade: hasBowl ? 'note' : 'fix',
        stage: 'run',
        part: consumer?.id,
        what: `Fuel boils in ${hasBowl ? 'the line to the carburettor' : 'the rail'} at hot restart.`,
        figure: { label: 'at the engine, gauge', ...figure('pressure', restart.railPressure) },
        limit: {
          label: 'must be above, gauge',
          ...figure('pressure', restart.railPressure - restart.engineVapourMargin),
        },
        why: wordsFor(job, {
          injection: 'Injectors meter vapour, and the engine stalls until the rail is flushed.',
          direct: 'The engine’s own high-pressure pump is fed vapour and brings no pressure until the line is flushed.',
          carburettor: 'The bowl is fed vapour: it cranks long, and floods when the fuel comes back at once.',
        }),
        cure: wordsFor(job, {
          injection: 'Hold more pressure, flush the rail with a return, keep the line off the heat, or sleeve it.',
          direct: 'Hold more pressure, keep the line off the heat, or sleeve it.',
          carburettor: 'Let a return carry the vapour back to the tank, keep the line off the heat, or sleeve it.',
        }),
        source: `vapour pressure by ${vapourSource(fuel!)}${isVapourExtrapolated(fuel!, restart.point.engineTemperature) ? ', extrapolated' : ''}`,
      },
    ];
  },
};
