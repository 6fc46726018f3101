import { figure } from '../../units/quantity.ts';
import { micrometres } from '../../units/quick.ts';
import { circuits, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';
import type { Job } from '../../job/job.ts';

const COARSEST_FINE_FILTER = micrometres(40); // coarse is 40 to 100 µm before a pump, common practice

/** A fine filter before the pump starves it. */
export const fineFilterBeforePump: Rule = {
  key: 'fine-filter-before-pump',
  check: ({ job }) =>
    partsOfKind(job, 'filter').flatMap((part) => {
      if (!circuits(job).isOnSuction(part.id) || !part.rating || part.rating.si >= COARSEST_FINE_FILTER) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'rating'],
          what: `${quoted(part)} is a fine filter before the pump.`,
          figure: { label: 'rating', ...figure('length', part.rating.si) },
          limit: { label: 'finest before a pump', ...figure('length', COARSEST_FINE_FILTER) },
          why: 'Its drop comes off the suction, so the fuel boils at the inlet and the pump starves.',
          cure: 'Move it after the pump; before the pump use a sock or a 40 to 100 µm strainer.',
          ...moveBehindPump(job, part.id),
          source: 'common practice',
        },
      ];
    }),
};

/** Behind the pump that draws through it: into the first joint that leads on from there. */
function moveBehindPump(job: Job, id: string): Pick<SnagReport, 'act' | 'actLabel'> {
  const run = circuits(job);
  const pump = run.zoneOf(id)?.drawnBy[0];
  const joint = pump && run.outOf(pump)[0]?.joint;
  return joint ? { act: { act: 'movePart', id, joint }, actLabel: 'Move it after the pump' } : {};
}
