import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** A regulator, or a controller, set above what the pump can make: it never opens. */
export const regulatorAboveDeadHead: Rule = {
  key: 'regulator-above-dead-head',
  check: ({ job, solution }) =>
    [
      ...partsOfKind(job, 'regulator', 'filterRegulator').map((part) => ({
        part,
        set: part.setPressure,
        key: 'setPressure',
      })),
      ...partsOfKind(job, 'pump')
        .filter((part) => part.drive === 'pwm')
        .map((part) => ({ part, set: part.targetPressure, key: 'targetPressure' })),
    ].flatMap(({ part, set, key }) => {
      const most = solution?.deadHead.at[part.id];
      if (!set || most === undefined || set.si < most) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, key],
          what: `${quoted(part)} is set above the pump’s dead-head pressure.`,
          figure: { label: 'set', ...figure('pressure', set.si) },
          limit: { label: 'the pump makes at most', ...figure('pressure', most) },
          why: 'It never comes into play: the rail follows the pump, and the voltage, up and down.',
          cure: 'Set it lower, or use a pump that makes the pressure.',
          source: 'computed from the pump’s table',
        },
      ];
    }),
};
