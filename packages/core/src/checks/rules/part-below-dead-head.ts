import { figure } from '../../units/quantity.ts';
import { circuits, partsOfKind, quoted, worstPressure } from '../reading.ts';
import type { Rule } from '../snag.ts';

/** Everything between pump and regulator must survive the pump's dead-head pressure, filters included. */
export const partBelowDeadHead: Rule = {
  key: 'part-below-dead-head',
  check: (findings) =>
    partsOfKind(findings.job, 'filter', 'filterRegulator').flatMap((part) => {
      const worst = worstPressure(findings, part.id);
      if (!part.maximumPressure || worst === undefined || part.maximumPressure.si >= worst) return [];
      const blocked = circuits(findings.job).isPumpSide(part.id);
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'maximumPressure'],
          what: `${quoted(part)} is rated below ${blocked ? 'the pump’s dead-head pressure' : 'the pressure it sees'}.`,
          figure: { label: 'rated', ...figure('pressure', part.maximumPressure.si) },
          limit: { label: blocked ? 'dead-head pressure' : 'highest pressure', ...figure('pressure', worst) },
          why: 'A stuck regulator or a pinched hose puts the full pump on it, and a burst filter sprays fuel.',
          cure: 'Fit a filter rated above it, or a pump with a relief valve that opens below the filter’s rating.',
          source: 'common practice',
        },
      ];
    }),
};
