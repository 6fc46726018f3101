import type { Rule } from '../snag.ts';
import { highestPressure, INJECTION_PRESSURE, placedOf, quoted } from '../reading.ts';
import { figure } from '../../units/quantity.ts';

/** A worm-drive clamp cuts the hose and creeps; injection pressure needs a band clamp. */
export const wormClamp: Rule = {
  key: 'worm-clamp',
  check: (findings) =>
    placedOf(findings.job, 'hose').flatMap(({ component, line, index }) => {
      const pressure = highestPressure(findings, component.id);
      if (component.clamp !== 'worm' || pressure === undefined || pressure <= INJECTION_PRESSURE) return [];
      return [
        {
          grade: 'fix',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'clamp'],
          what: `${quoted(component)} is held by worm-drive clamps on injection pressure.`,
          figure: { label: 'highest pressure', ...figure('pressure', pressure) },
          limit: { label: 'worm-drive clamps up to', ...figure('pressure', INJECTION_PRESSURE) },
          why: 'The slots cut the cover and the clamp lets go as the rubber sets.',
          cure: 'Use band clamps of the injection type, one size for the hose.',
          act: { act: 'setOnComponent', id: component.id, key: 'clamp', value: 'band' },
          actLabel: 'Use band clamps',
          source: 'common practice',
        },
      ];
    }),
};
