import { petrolReidIfAny } from '../../run/petrol-reid.ts';
import { blendReid, petrolCorrelation } from '../../fluids/vapour-pressure.ts';
import { assumed } from '../../job/assumption.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** A Reid vapour pressure told of the blend that no petrol makes with that much ethanol. */
export const blendVolatility: Rule = {
  key: 'blend-volatility',
  check: ({ job, fuel }) => {
    if (!fuel || fuel.family === 'diesel' || petrolReidIfAny(job, fuel) !== undefined) return [];
    const told = assumed(job.assumptions, 'reidVapourPressure');
    const { least, most } = petrolCorrelation;
    const [low, high] = [blendReid(fuel, least), blendReid(fuel, most)];
    return [
      {
        grade: 'fix',
        stage: 'brief',
        path: ['assumptions', 'reidVapourPressure'],
        what:
          fuel.ethanol === 1
            ? 'Ethanol alone has a vapour pressure of its own: the Reid figure is not it.'
            : 'No petrol makes a blend with that Reid vapour pressure: it is reckoned as the petrol’s own.',
        figure: { label: 'told of the blend', ...figure('pressure', told) },
        limit: {
          label: told > high ? 'the most that a blend has' : 'the least that a blend has',
          ...figure('pressure', told > high ? high : low),
        },
        why: 'Where fuel boils at the pump and in the rail goes by it.',
        cure: 'Read it again, or say that it is the petrol’s before the ethanol was put in.',
        act: { act: 'set', path: ['brief', 'reidOf'], value: 'petrol' },
        actLabel: 'It is the petrol’s',
        source: 'AP-42 7.1 and Antoine’s equation, blended by Wilson’s',
      },
    ];
  },
};
