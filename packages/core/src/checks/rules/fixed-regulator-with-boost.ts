import { isBoosted } from '../../job/brief.ts';
import { figure } from '../../units/quantity.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A regulator without manifold reference loses injector pressure by all of the boost. */
export const fixedRegulatorWithBoost: Rule = {
  key: 'fixed-regulator-with-boost',
  check: ({ job }) => {
    const boost = job.brief.boost?.si ?? 0;
    const boosted =
      job.brief.induction === 'injection' && job.brief.direct !== true && isBoosted(job.brief) && boost > 0;
    const wanted = boosted || job.brief.manifoldReference === true;
    if (!wanted) return [];
    return partsOfKind(job, 'regulator', 'filterRegulator').flatMap((part) => {
      if (part.referenced !== false) return [];
      return [
        {
          grade: boosted ? 'stop' : 'fix',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'referenced'],
          what: `${quoted(part)} has no manifold reference${boosted ? ', and the engine is boosted' : ', but the engine expects one'}.`,
          figure: boosted ? { label: 'injector pressure lost at full boost', ...figure('pressure', boost) } : undefined,
          why: boosted
            ? 'Injectors see rail less manifold: under boost they deliver less just when the engine needs more, and it runs lean.'
            : 'Injector flow then changes with manifold pressure and the engine’s tables no longer fit.',
          cure: 'Use a referenced regulator after the rail, with its hose to the manifold.',
          act:
            job.layout.key === 'bypassAfterRail'
              ? { act: 'setOnPart', id: part.id, key: 'referenced', value: true }
              : { act: 'chooseLayout', key: 'bypassAfterRail' },
          actLabel:
            job.layout.key === 'bypassAfterRail' ? 'Join the reference hose' : 'Lay out with the bypass after the rail',
          source: 'common practice',
        },
      ];
    });
  },
};
