import { MOST_CREEP } from '../../run/limits.ts';
import { figure } from '../../units/quantity.ts';
import { flowOf, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A return too small for what the pump spills at idle: the regulator is wide open and the rail creeps up. */
export const pressureCreep: Rule = {
  key: 'pressure-creep',
  check: (findings) =>
    partsOfKind(findings.job, 'regulator', 'filterRegulator').flatMap((part) => {
      const idle = findings.solution?.points.idle;
      const wanted = idle?.wanted;
      if (part.action !== 'bypass' || !idle || wanted === undefined) return [];
      const state = flowOf(findings, 'idle', part.id)?.state;
      if (state !== 'wideOpen' || idle.railPressure <= wanted * (1 + MOST_CREEP)) return [];
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          what: `The return is too small: ${quoted(part)} is wide open at idle and the rail creeps up.`,
          figure: { label: 'rail at idle', ...figure('pressure', idle.railPressure) },
          limit: { label: 'wanted at idle', ...figure('pressure', wanted) },
          why: 'The engine idles rich and the base pressure cannot be set.',
          cure: 'Use a larger bore in the return, fewer bends, or a smaller pump; Run, Sizes finds the smallest bore that does.',
          source: 'computed; limit 5 %, common practice',
        },
      ];
    }),
};
