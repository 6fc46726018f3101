import type { Rule } from '../snag.ts';
import { waterTestOf } from '../../reckoning/brief-values.ts';
import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';

/** The water test found another share of ethanol than the job is reckoned with. */
export const blendTestedOtherwise: Rule = {
  key: 'blend-tested-otherwise',
  check: ({ job }) => {
    const test = waterTestOf(job);
    const reckoned = job.brief.ethanol?.si;
    if (!test || 'fault' in test || reckoned === undefined || job.brief.fuel !== 'petrol') return [];
    if (reckoned >= test.low - 1e-9 && reckoned <= test.high + 1e-9) return [];
    const found = Number((test.share * 100).toFixed(0));
    return [
      {
        grade: 'fix',
        stage: 'brief',
        path: ['brief', 'ethanol'],
        what: 'The water test found another blend than the job is reckoned with.',
        figure: { label: 'reckoned with', ...figure('fraction', reckoned) },
        limit: { label: 'found, ± 3 points', ...figure('fraction', test.share) },
        why: 'Injectors, pump and materials are chosen for the blend: too little ethanol in the sums is a lean engine.',
        cure: `Reckon with what was found, or test again; pump “E85” runs from the mid 50s to the mid 80s.`,
        act: { act: 'set', path: ['brief', 'ethanol'], value: measured(found / 100, '%') },
        actLabel: `Reckon with ${found} %`,
        source: 'common practice',
      },
    ];
  },
};
