import { materialRow, sourceOn, verdictOn } from '../../ratings/material-fuel.ts';
import { lineMaterials } from '../../ratings/line-material.ts';
import { figure } from '../../units/quantity.ts';
import { ethanolShare, MILD_BLEND, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Ethanol corrodes bare aluminium line, and whatever else the job knows it to attack. */
export const aluminiumWithEthanol: Rule = {
  key: 'aluminium-with-ethanol',
  check: ({ job }) =>
    partsOfKind(job, 'hardLine').flatMap((part) => {
      const share = ethanolShare(job);
      if (!part.material || share <= MILD_BLEND) return [];
      const row = materialRow(lineMaterials[part.material].name)!;
      if (verdictOn(row, 'high', job.materials) === 'fine') return [];
      const isAluminium = part.material === 'aluminium3003';
      const name = isAluminium ? 'bare aluminium' : row.name;
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'material'],
          what: `${quoted(part)} is ${name} on an ethanol blend.`,
          figure: { label: 'ethanol share', ...figure('fraction', share) },
          limit: { label: `${isAluminium ? 'aluminium' : name} up to`, ...figure('fraction', MILD_BLEND) },
          why: isAluminium
            ? 'Wet ethanol corrodes it from inside; the white powder blocks filters, injectors and jets.'
            : 'The fuel attacks it from inside, and what comes off blocks filters, injectors and jets.',
          cure: 'Use stainless or PTFE-lined hose, or protected aluminium.',
          act: { act: 'setOnPart', id: part.id, key: 'material', value: 'stainless304' },
          actLabel: 'Use stainless 304',
          source: sourceOn(row, 'high', job.materials),
        },
      ];
    }),
};
