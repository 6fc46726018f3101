import type { Rule } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';
import { figure } from '../../units/quantity.ts';

/** A regulator, or a controller, set above what the pump can make: it never opens. */
export const regulatorAboveDeadHead: Rule = {
  key: 'regulator-above-dead-head',
  check: ({ job, solution }) =>
    [
      ...placedOf(job, 'regulator').map((p) => ({ ...p, set: p.component.setPressure, key: 'setPressure' })),
      ...placedOf(job, 'pump')
        .filter((p) => p.component.drive === 'pwm')
        .map((p) => ({ ...p, set: p.component.targetPressure, key: 'targetPressure' })),
    ].flatMap(({ component, line, index, set, key }) => {
      const most = solution?.deadHead.at[component.id];
      if (!set || most === undefined || line !== 'supply' || set.si < most) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, key],
          what: `${quoted(component)} is set above the pump’s dead-head pressure.`,
          figure: { label: 'set', ...figure('pressure', set.si) },
          limit: { label: 'the pump makes at most', ...figure('pressure', most) },
          why: 'It never comes into play: the rail follows the pump, and the voltage, up and down.',
          cure: 'Set it lower, or use a pump that makes the pressure.',
          source: 'computed from the pump’s table',
        },
      ];
    }),
};
