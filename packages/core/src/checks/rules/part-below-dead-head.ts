import { figure } from '../../units/quantity.ts';
import { isLine, kindOf } from '../../parts/kinds.ts';
import { circuits, quoted, worstPressure } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** What is rated must survive the pump's dead-head pressure, before a regulator and behind a bypass one that may stick. */
export const partBelowDeadHead: Rule = {
  key: 'part-below-dead-head',
  check: (findings) =>
    circuits(findings.job).parts.flatMap((part): SnagReport[] => {
      const rated = isLine(part) ? undefined : kindOf(part).rated?.(part); // hoses and lines have rules of their own
      const worst = rated === undefined ? undefined : worstPressure(findings, part.id);
      if (rated === undefined || worst === undefined || rated >= worst) return [];
      const run = circuits(findings.job);
      const blocked = run.seesDeadHead(part.id);
      const behind = blocked && !run.isPumpSide(part.id);
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'maximumPressure'],
          what: `${quoted(part)} is rated below ${blocked ? 'the pump’s dead-head pressure' : 'the pressure it sees'}.`,
          figure: { label: 'rated', ...figure('pressure', rated) },
          limit: { label: blocked ? 'dead-head pressure' : 'highest pressure', ...figure('pressure', worst) },
          why: behind
            ? 'A bypass regulator that sticks shut puts the full pump on it, and what bursts sprays fuel.'
            : 'A stuck regulator or a pinched hose puts the full pump on it, and what bursts sprays fuel.',
          cure: 'Fit one rated above it, or a pump with a relief valve that opens below its rating.',
          source: 'common practice',
        },
      ];
    }),
};
