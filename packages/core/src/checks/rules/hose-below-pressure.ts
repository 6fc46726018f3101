import type { Rule } from '../snag.ts';
import { highestPressure, INJECTION_PRESSURE, placedOf, quoted, worstPressure } from '../reading.ts';
import { hoseConstruction } from '../../ratings/hose-construction.ts';
import { figure } from '../../units/quantity.ts';

/** Hose whose working pressure is below the worst pressure at its place; carburettor hose on injection above all. */
export const hoseBelowPressure: Rule = {
  key: 'hose-below-pressure',
  check: (findings) =>
    placedOf(findings.job, 'hose').flatMap((place) => {
      const { component, line, index } = place;
      const worst = worstPressure(findings, place);
      if (!component.construction || worst === undefined) return [];
      const made = hoseConstruction(component.construction);
      const carburettorHose = component.construction === 'r6' || component.construction === 'r7';
      const injection = carburettorHose && worst > INJECTION_PRESSURE;
      if (made.workingPressure >= worst && !injection) return [];
      // hose bursts at several times its working pressure: over it only when blocked is no immediate danger
      const onlyBlocked = !injection && made.workingPressure >= highestPressure(findings, component.id)!;
      return [
        {
          grade: onlyBlocked ? 'fix' : 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'construction'],
          what: injection
            ? `${quoted(component)} is low-pressure hose on injection pressure.`
            : `${quoted(component)} is rated below the ${onlyBlocked ? 'pump’s dead-head pressure' : 'pressure it sees'}.`,
          figure: { label: 'worst pressure here', ...figure('pressure', worst) },
          limit: {
            label: `${made.name}, working pressure`,
            ...figure(
              'pressure',
              injection ? Math.min(made.workingPressure, INJECTION_PRESSURE) : made.workingPressure,
            ),
          },
          why: 'It swells, splits or blows off, and sprays fuel on whatever is hot.',
          cure: onlyBlocked
            ? 'Use a pump with a relief valve that opens below the hose’s rating, or hose rated above it.'
            : 'Use injection hose (SAE 30R9, 30R14) or PTFE-lined hose with hose ends.',
          act:
            component.immersed || component.construction === 'ptfe'
              ? undefined
              : { act: 'setOnComponent', id: component.id, key: 'construction', value: worst > 690e3 ? 'ptfe' : 'r9' },
          actLabel: worst > 690e3 ? 'Use PTFE-lined hose' : 'Use SAE 30R9',
          source: made.source,
        },
      ];
    }),
};
