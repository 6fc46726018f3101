import { describeTankFault } from '../../tanks/tank-fault.ts';
import { figure } from '../../units/quantity.ts';
import { litres } from '../../units/quick.ts';
import type { Rule, SnagReport } from '../snag.ts';

const LARGEST = litres(600); // a road vehicle's tank, common practice
const OFF_PLATE = 0.15; // between litres by shape and the plate, common practice

/** A shape that is no tank, or whose litres cannot be right. */
export const tankShape: Rule = {
  key: 'tank-shape',
  check: ({ job, tank }) => {
    const base = { stage: 'survey', source: 'geometry' } as const;
    const path = ['survey', 'tank', job.survey.tank.shape === 'prism' ? 'section' : 'shape'] as const;
    const reports: SnagReport[] = [];
    if (tank.fault)
      reports.push({
        ...base,
        grade: 'fix',
        path,
        what: describeTankFault(tank.fault),
        why: 'Until it is put right there are no litres to compute with.',
        cure: 'Correct the reading there; nothing else is lost.',
        hides: 'Hides snags about the gauge, the usable fuel and what it holds against the plate.',
      });
    if (tank.full !== undefined && tank.full > LARGEST)
      reports.push({
        ...base,
        grade: 'fix',
        path,
        which: 'size',
        what: 'The tank is larger than any road vehicle’s: a unit is mistaken.',
        figure: { label: 'by its shape', ...figure('volume', tank.full) },
        limit: { label: 'at most', ...figure('volume', LARGEST) },
        why: 'A mesh in millimetres read as centimetres holds a thousand times as much.',
        cure: 'Check the unit of the mesh or of the measurements.',
      });
    else if (tank.ofCapacity !== undefined && Math.abs(tank.ofCapacity - 1) > OFF_PLATE)
      reports.push({
        ...base,
        grade: 'note',
        which: 'plate',
        path: ['survey', 'tank', 'capacity'],
        what: 'The shape does not hold what the plate says.',
        figure: { label: 'by its shape', ...figure('volume', tank.full!) },
        limit: { label: 'plate or fill', ...figure('volume', job.survey.tank.capacity!.si) },
        why: 'Gauge and reserve are reckoned from the shape.',
        cure: 'Measure again, or fill it in steps of known volume.',
      });
    return reports;
  },
};
