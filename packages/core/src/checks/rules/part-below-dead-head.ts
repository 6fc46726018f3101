import type { Rule } from '../snag.ts';
import { isPumpSide, placedOf, quoted, worstPressure } from '../reading.ts';
import { figure } from '../../units/quantity.ts';

/** Everything between pump and regulator must survive the pump's dead-head pressure, filters included. */
export const partBelowDeadHead: Rule = {
  key: 'part-below-dead-head',
  check: (findings) =>
    placedOf(findings.job, 'filter').flatMap((place) => {
      const { component, line, index } = place;
      const worst = worstPressure(findings, place);
      if (!component.maximumPressure || worst === undefined || component.maximumPressure.si >= worst) return [];
      const blocked = isPumpSide(findings.job, place);
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'maximumPressure'],
          what: `${quoted(component)} is rated below ${blocked ? 'the pump’s dead-head pressure' : 'the pressure it sees'}.`,
          figure: { label: 'rated', ...figure('pressure', component.maximumPressure.si) },
          limit: { label: blocked ? 'dead-head pressure' : 'highest pressure', ...figure('pressure', worst) },
          why: 'A stuck regulator or a pinched hose puts the full pump on it, and a burst filter sprays fuel.',
          cure: 'Fit a filter rated above it, or a pump with a relief valve that opens below the filter’s rating.',
          source: 'common practice',
        },
      ];
    }),
};
