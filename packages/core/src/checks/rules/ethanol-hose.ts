import type { Rule } from '../snag.ts';
import { ethanolShare, placedOf, quoted } from '../reading.ts';
import { hoseConstruction } from '../../ratings/hose-construction.ts';
import { figure } from '../../units/quantity.ts';

const MILD_BLEND = 0.1; // E10 is what pump petrol may hold

/** Hose whose liner decides whether it stands ethanol: unknown means ask. */
export const ethanolHose: Rule = {
  key: 'ethanol-hose',
  check: ({ job }) =>
    placedOf(job, 'hose').flatMap(({ component, line, index }) => {
      const share = ethanolShare(job);
      if (
        !component.construction ||
        share <= MILD_BLEND ||
        hoseConstruction(component.construction).ethanol === 'rated'
      )
        return [];
      return [
        {
          grade: 'fix',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'construction'],
          what: `${quoted(component)}: only its maker can say whether it stands this blend.`,
          figure: { label: 'ethanol share', ...figure('fraction', share) },
          limit: { label: 'general fuel hose up to', ...figure('fraction', MILD_BLEND) },
          why: 'A liner not made for ethanol swells and sheds.',
          cure: 'Ask the maker, or use PTFE-lined hose.',
          act: component.immersed
            ? undefined
            : { act: 'setOnComponent', id: component.id, key: 'construction', value: 'ptfe' },
          actLabel: 'Use PTFE-lined hose',
          source: hoseConstruction(component.construction).source,
        },
      ];
    }),
};
