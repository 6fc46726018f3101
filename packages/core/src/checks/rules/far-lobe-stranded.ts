import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import { compartmentName } from '../../tanks/compartments.ts';
import { measured } from '../../fields/measured.ts';
import { litres } from '../../units/quick.ts';
import type { Rule } from '../snag.ts';
import { capital } from '../../units/capital.ts';

const WORTH_SAYING = litres(1);

/** Fuel that stays behind a bridge or a baffle because nothing brings it across. */
export const farLobeStranded: Rule = {
  key: 'far-lobe-stranded',
  check: ({ job, hanger: { pickup, siphon } }) =>
    (pickup?.stranded ?? []).flatMap(({ part, volume, withoutSiphon, withSiphon }) => {
      if (volume < WORTH_SAYING) return [];
      const drawn = withoutSiphon !== undefined;
      // a drill is proposed where its siphon would empty the lobe
      const drill = (withSiphon ?? Infinity) < WORTH_SAYING && !siphon?.isEntered ? siphon?.drill : undefined;
      return [
        {
          grade: 'fix' as const,
          which: part,
          stage: 'hanger' as const,
          path: drawn ? (['hanger', 'farHeight'] as const) : (['hanger', 'jetDrill'] as const),
          what: `${capital(compartmentName(job.survey.tank, part))} keeps fuel that the pump never gets.`,
          figure: { label: 'stays there', ...figure('volume', volume) },
          limit: { label: 'at most', ...figure('volume', WORTH_SAYING) },
          why: 'The gauge counts it and the engine stops with it on board.',
          cure: drawn
            ? 'Lower the far pickup to the lobe’s floor.'
            : job.survey.tank.shape === 'saddle'
              ? 'Let the return drive a siphon jet whose far pickup stands at that lobe’s floor.'
              : 'Cut a hole in the baffle along the floor, or move the pickup to its other side.',
          ...(drill !== undefined && {
            act: { act: 'set' as const, path: ['hanger', 'jetDrill'], value: measured(drill, 'mm') },
            actLabel: words`Drill a jet of ${figure('length', drill)}`,
          }),
          source: 'geometry; the drill by jet pump equations',
        },
      ];
    }),
};
