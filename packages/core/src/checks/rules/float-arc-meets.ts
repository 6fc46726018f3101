import { gaugeProperties } from '../../job/gauge.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** A float whose arc meets a wall, a baffle, a pump or the return. */
export const floatArcMeets: Rule = {
  key: 'float-arc-meets',
  check: ({ float }) => {
    const nearest = float?.clearance?.nearest;
    const meets = float?.clearance?.meets;
    if (!nearest || (!meets && nearest.gap >= nearest.room)) return [];
    const other = float?.clearSides[0];
    return [
      {
        grade: meets ? 'stop' : 'fix',
        stage: 'gauge',
        path: ['gauge', 'armLength'],
        what: meets ? `The float’s arc meets ${meets.name}.` : `The float’s arc passes close to ${nearest.name}.`,
        figure: { label: meets ? 'room' : 'nearest', ...figure('length', Math.max(0, nearest.gap)) },
        limit: { label: 'at least', ...figure('length', nearest.room) },
        why: 'The float hangs there and the gauge stands still while the tank empties.',
        cure: 'Shorten or bend the arm, move the pivot, or let the arm swing to another side.',
        ...(other === undefined
          ? {}
          : {
              act: { act: 'set' as const, path: ['gauge', 'armSide'], value: other },
              actLabel: `Let it swing ${gaugeProperties.armSide.options[other]}`,
            }),
        source: 'geometry, in section; common practice',
      },
    ];
  },
};
