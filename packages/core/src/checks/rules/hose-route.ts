import { hoseAct } from '../../routes/hose-cure.ts';
import { sayHoseCure } from '../../routes/places-in-words.ts';
import { lineName } from '../../routes/lines.ts';
import { hoseFaultOf } from '../../routes/route-findings.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

const SOURCE = 'shape of an elastic rod; hose limits typical, from memory';

/** Hoses that reach their ports too tightly, too short, or without the slack that a moving engine takes. */
export const hoseRoute: Rule = {
  key: 'hose-route',
  check: ({ job, routes }) =>
    routes.lines.flatMap((line): SnagReport[] => {
      const fault = hoseFaultOf(line);
      const { hose } = line;
      if (!fault || !hose) return [];
      const cure = routes.hoseCures[line.part];
      const cured = cure
        ? {
            cure: sayHoseCure(cure),
            act: hoseAct(line.part, cure, `lay ${lineName(job, line.part)} anew`),
            actLabel: 'Make it so',
          }
        : undefined;
      const name = quotedId(job, line.part);
      const base = {
        part: line.part,
        which: fault,
        stage: 'routes',
        path: ['parts', line.part, 'length'],
        source: SOURCE,
      } as const;
      if (fault === 'short')
        return [
          {
            ...base,
            grade: 'stop',
            what: `${name} is shorter than the way between its ends.`,
            figure: { label: 'of it bends', ...figure('length', Math.max(hose.flexible, 0)) },
            limit: { label: 'between its hose ends', ...figure('length', hose.taut) },
            why: 'It cannot be put on, or hangs on its joints until one lets go.',
            cure: 'Make it longer, or bring its ends nearer to each other.',
            ...cured,
          },
        ];
      if (fault === 'tight')
        return [
          {
            ...base,
            grade: 'stop',
            what: `${name} is bent more tightly than it may be.`,
            figure: { label: 'tightest, inside radius', ...figure('length', hose.laid!.leastRadius - line.radius) },
            limit: { label: 'allowed', ...figure('length', hose.allowed! - line.radius) },
            why: 'A hose that kinks starves the engine, and its liner cracks there.',
            cure: 'Make it longer, turn its ends otherwise, or bend a tube for the tight part.',
            ...cured,
          },
        ];
      if (fault === 'long') {
        // as long as it is it may have to be: then it bows out for its radius, and nothing shorter would do
        if (!cured) return [];
        return [
          {
            ...base,
            grade: 'note',
            what: `${name} is longer than its way asks for, and bows out.`,
            figure: { label: 'over the way between its ends', ...figure('length', hose.flexible - hose.taut) },
            why: 'It swings, and rubs on what is beside it.',
            ...cured,
            source: 'common practice',
          },
        ];
      }
      return [
        {
          ...base,
          grade: 'fix',
          what: `${name} has no slack for the engine’s movement.`,
          figure: { label: 'slack', ...figure('length', hose.flexible - hose.taut) },
          limit: { label: 'wanted', ...figure('length', hose.slack) },
          why: 'The engine rocks on its mounts and pulls a taut hose off its ends.',
          cure: 'Make it longer.',
          ...cured,
          source: 'common practice',
        },
      ];
    }),
};
