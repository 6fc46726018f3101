import { figure } from '../../units/quantity.ts';
import { ethanolShare, MILD_BLEND } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Safety foam in a tank that holds more ethanol than common foams stand. */
export const foamWithEthanol: Rule = {
  key: 'foam-with-ethanol',
  check: ({ job }) => {
    const share = ethanolShare(job);
    if (job.survey.tank.foam !== true || share <= MILD_BLEND) return [];
    return [
      {
        grade: 'fix',
        stage: 'survey',
        path: ['survey', 'tank', 'foam'],
        what: 'The tank is filled with foam, and ethanol breaks common foams down.',
        figure: { label: 'ethanol', ...figure('fraction', share) },
        limit: { label: 'common foams stand', ...figure('fraction', MILD_BLEND) },
        why: 'It crumbles in months: the crumbs close the sock and pass into the pump.',
        cure: 'Fit foam whose maker names it for the blend and change it when he says, or leave it out where the rules allow.',
        source: 'common practice; ask the maker of the foam',
      },
    ];
  },
};
