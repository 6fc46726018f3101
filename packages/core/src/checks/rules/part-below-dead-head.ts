import { figure } from '../../units/quantity.ts';
import { circuits, partsOfKind, quoted, worstPressure } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Filters and rails must survive the pump's dead-head pressure, before a regulator and behind a bypass one that may stick. */
export const partBelowDeadHead: Rule = {
  key: 'part-below-dead-head',
  check: (findings) =>
    partsOfKind(findings.job, 'filter', 'filterRegulator', 'rail').flatMap((part) => {
      const worst = worstPressure(findings, part.id);
      if (!part.maximumPressure || worst === undefined || part.maximumPressure.si >= worst) return [];
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
          figure: { label: 'rated', ...figure('pressure', part.maximumPressure.si) },
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
