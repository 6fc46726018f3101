import { materialRow, sourceOn, verdictOn } from '../../ratings/material-fuel.ts';
import { hoseConstruction } from '../../ratings/hose-construction.ts';
import { figure } from '../../units/quantity.ts';
import { ethanolShare, MILD_BLEND, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Hose whose liner decides whether it stands ethanol: unknown means ask. */
export const ethanolHose: Rule = {
  key: 'ethanol-hose',
  check: ({ job }) =>
    partsOfKind(job, 'hose').flatMap((part) => {
      const share = ethanolShare(job);
      if (!part.construction || share <= MILD_BLEND) return [];
      const row = materialRow(hoseConstruction(part.construction).name)!;
      if (verdictOn(row, 'high', job.materials) === 'fine') return [];
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'construction'],
          what: `${quoted(part)}: only its maker can say whether it stands this blend.`,
          figure: { label: 'ethanol share', ...figure('fraction', share) },
          limit: { label: 'general fuel hose up to', ...figure('fraction', MILD_BLEND) },
          why: 'A liner not made for ethanol swells and sheds.',
          cure: 'Ask the maker, or use PTFE-lined hose.',
          act: part.immersed ? undefined : { act: 'setOnPart', id: part.id, key: 'construction', value: 'ptfe' },
          actLabel: 'Use PTFE-lined hose',
          source: sourceOn(row, 'high', job.materials),
        },
      ];
    }),
};
