import { MOST_CREEP } from '../../run/limits.ts';
import { figure } from '../../units/quantity.ts';
import { circuits } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';
import { isRegulator } from '../../parts/kinds.ts';

/** A pump with nothing to hold its pressure: the rail sees the dead-head pressure. */
export const noRegulator: Rule = {
  key: 'no-regulator',
  check: ({ job, solution }) => {
    const run = circuits(job);
    if (run.parts.some(isRegulator) || run.controlled || !run.hasElectricPump) return [];
    const wanted = job.brief.railPressure?.si;
    const overrun = solution?.points.overrun.railPressure;
    if (wanted !== undefined && overrun !== undefined && overrun <= wanted * (1 + MOST_CREEP)) return [];
    return [
      {
        grade: 'stop',
        stage: 'run',
        part: circuits(job).pumps[0],
        what: 'The run has no regulator.',
        figure: overrun === undefined ? undefined : { label: 'on overrun', ...figure('pressure', overrun) },
        limit: wanted === undefined ? undefined : { label: 'wanted', ...figure('pressure', wanted) },
        why: `With ${job.brief.induction === 'carburettor' ? 'the needle' : 'the injectors'} shut the pump climbs to its dead-head pressure, and everything on the line sees it.`,
        cure: 'Put a regulator on the run: choose a layout.',
        source: 'computed',
      },
    ];
  },
};
