import { figure } from '../../units/quantity.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** A float whose stop lies outside the tank, or that stops well short of its floor or lid. */
export const floatPastTank: Rule = {
  key: 'float-past-tank',
  check: ({ job }) => {
    const depth = job.survey.tank.depth?.si;
    const reports: SnagReport[] = [];
    const base = { stage: 'gauge', source: 'geometry' } as const;
    const high = job.gauge?.floatHigh?.si;
    const low = job.gauge?.floatLow?.si;
    if (depth !== undefined && high !== undefined && high > depth)
      reports.push({
        ...base,
        grade: 'stop',
        path: ['gauge', 'floatHigh'],
        what: 'The float’s top stop lies above the tank.',
        figure: { label: 'float at the top stop', ...figure('length', high) },
        limit: { label: 'tank depth', ...figure('length', depth) },
        why: 'The float jams under the lid and the gauge never reads full, or the arm bends.',
        cure: 'Shorten or bend the arm, lower the pivot, or measure again.',
      });
    if (low !== undefined && low < 0)
      reports.push({
        ...base,
        grade: 'stop',
        which: 'low',
        path: ['gauge', 'floatLow'],
        what: 'The float’s bottom stop lies below the tank floor.',
        figure: { label: 'float at the bottom stop', ...figure('length', low) },
        limit: { label: 'tank floor', ...figure('length', 0) },
        why: 'The float rests on the floor before its stop, and the gauge never reads empty.',
        cure: 'Raise the pivot, shorten the arm, or measure again.',
      });
    return reports;
  },
};
