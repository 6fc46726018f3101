import { sourceOn, tankWalls, verdictOn } from '../../ratings/material-fuel.ts';
import { figure } from '../../units/quantity.ts';
import { ethanolShare, MILD_BLEND } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Ethanol attacks zinc, terne and bare aluminium. */
export const coatingAttacked: Rule = {
  key: 'coating-attacked',
  check: ({ job }) => {
    const { coating } = job.survey.tank;
    const share = ethanolShare(job);
    if (!coating || share === 0 || verdictOn(tankWalls[coating], 'high', job.materials) !== 'attacked') return [];
    return [
      {
        grade: share > MILD_BLEND ? 'stop' : 'note',
        stage: 'survey',
        path: ['survey', 'tank', 'coating'],
        what: `Ethanol attacks this tank wall: ${tankWalls[coating].name}.`,
        figure: { label: 'ethanol share', ...figure('fraction', share) },
        limit: { label: 'slow attack up to', ...figure('fraction', MILD_BLEND) },
        why: 'The coating comes off as grit and gel that blocks the sock and wears the pump.',
        cure: 'Change the tank, have it lined with a sealer rated for this blend, or run petrol without ethanol; never leave the blend in over a lay-up.',
        source: sourceOn(tankWalls[coating], 'high', job.materials),
      },
    ];
  },
};
