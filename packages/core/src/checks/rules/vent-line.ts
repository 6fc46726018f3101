import { hasVentLine } from '../../vents/air-path.ts';
import { ventValue } from '../../vents/vent-flow.ts';
import { figure } from '../../units/quantity.ts';
import { kPa } from '../../units/quick.ts';
import type { Rule, SnagReport } from '../snag.ts';

const TOP = 0.9; // of the tank's depth: above it the end of the vent counts as at its top, common practice
const MOST_VACUUM = kPa(2); // at the largest draw, common practice

/** The vent line in section: its valve, its low places, its end, and the vacuum that the pump draws through it. */
export const ventLine: Rule = {
  key: 'vent-line',
  check: ({ job, vent: findings }) => {
    const { vent, tank } = job.survey;
    if (!vent || !hasVentLine(tank)) return [];
    const reports: SnagReport[] = [];
    const base = { stage: 'survey', source: 'common practice' } as const;
    if (vent.outlet === 'cabin' || vent.outlet === 'exhaust')
      reports.push({
        ...base,
        grade: 'stop',
        which: 'outlet',
        path: ['survey', 'vent', 'outlet'],
        what: vent.outlet === 'cabin' ? 'The vent ends in the cabin or boot.' : 'The vent ends near the exhaust.',
        why: 'Fuel vapour burns and explodes, and people breathe it.',
        cure: 'Carry it outside, under the vehicle, away from the exhaust, and screen its end.',
      });
    if (vent.outlet === 'underBodyOpen')
      reports.push({
        ...base,
        grade: 'note',
        which: 'outlet',
        path: ['survey', 'vent', 'outlet'],
        what: 'The vent’s end has no screen.',
        why: 'Mud and insects stop it up, and the tank draws a vacuum.',
        cure: 'Fit a screen or a small filter to its end.',
      });
    if (findings?.valveShut)
      reports.push({
        ...base,
        grade: 'stop',
        which: 'valve',
        path: ['survey', 'vent', 'valveTilt'],
        what: 'The roll-over valve leans so far that it is shut.',
        figure: { label: 'leans by', ...figure('angle', vent.valveTilt!.si) },
        limit: { label: 'shuts past', ...figure('angle', ventValue(vent, 'valveShutsAt')) },
        why: 'The tank cannot breathe with the vehicle on its wheels.',
        cure: 'Mount it upright.',
      });
    if (vent.trap)
      reports.push({
        ...base,
        grade: 'fix',
        which: 'trap',
        path: ['survey', 'vent', 'trap'],
        what: 'The vent has a low place that holds fuel.',
        why: 'Fuel that condenses or slops there stops it up like a drain trap.',
        cure: 'Let it rise all the way to its highest point, then fall all the way to its end.',
      });
    if (vent.tankEnd && tank.depth && vent.tankEnd.si < tank.depth.si * TOP)
      reports.push({
        ...base,
        grade: 'fix',
        which: 'tankEnd',
        path: ['survey', 'vent', 'tankEnd'],
        what: 'The vent opens below the top of the tank.',
        figure: { label: 'opens at', ...figure('length', vent.tankEnd.si) },
        limit: { label: 'tank depth', ...figure('length', tank.depth.si) },
        why: 'A full tank stands over it: fuel is pushed out as it warms.',
        cure: 'Take it from the highest place inside the tank.',
      });
    if (findings?.vacuum !== undefined && findings.vacuum > MOST_VACUUM)
      reports.push({
        ...base,
        grade: 'fix',
        which: 'vacuum',
        path: ['survey', 'vent', 'bore'],
        what: 'The pump draws the tank into a vacuum through this vent.',
        figure: { label: 'at full draw', ...figure('pressure', findings.vacuum) },
        limit: { label: 'at most', ...figure('pressure', MOST_VACUUM) },
        why: 'The pump starves when hot, and a thin tank sucks in its sides.',
        cure: 'Use a larger vent, or a valve that opens at less.',
        source: 'Darcy–Weisbach with air; limit common practice',
      });
    return reports;
  },
};
