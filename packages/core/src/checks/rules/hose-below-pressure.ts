import { hoseConstruction, INJECTION_PRESSURE } from '../../ratings/hose-construction.ts';
import { figure } from '../../units/quantity.ts';
import { highestPressure, partsOfKind, quoted, worstPressure } from '../../reckoning/reading.ts';
import { partNeeds } from '../../reckoning/needs.ts';
import type { Rule } from '../snag.ts';

/** Hose whose working pressure is below the worst pressure at its place; carburettor hose on injection above all. */
export const hoseBelowPressure: Rule = {
  key: 'hose-below-pressure',
  check: (findings) =>
    partsOfKind(findings.job, 'hose').flatMap((part) => {
      const worst = worstPressure(findings, part.id);
      if (!part.construction || worst === undefined) return [];
      const made = hoseConstruction(part.construction);
      const carburettorHose = part.construction === 'r6' || part.construction === 'r7';
      const injection = carburettorHose && worst > INJECTION_PRESSURE;
      if (made.workingPressure >= worst && !injection) return [];
      // hose bursts at several times its working pressure: over it only when blocked is no immediate danger
      const onlyBlocked = !injection && made.workingPressure >= highestPressure(findings, part.id)!;
      // of a hose that is not there yet its needs speak: what it is made of is a stand-in
      if (onlyBlocked && partNeeds(part).length > 0) return [];
      return [
        {
          grade: onlyBlocked ? 'fix' : 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'construction'],
          what: injection
            ? `${quoted(part)} is low-pressure hose on injection pressure.`
            : `${quoted(part)} is rated below the ${onlyBlocked ? 'pump’s dead-head pressure' : 'pressure it sees'}.`,
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
            part.immersed || part.construction === 'ptfe'
              ? undefined
              : { act: 'setOnPart', id: part.id, key: 'construction', value: worst > 690e3 ? 'ptfe' : 'r9' },
          actLabel: worst > 690e3 ? 'Use PTFE-lined hose' : 'Use SAE 30R9',
          source: made.source,
        },
      ];
    }),
};
