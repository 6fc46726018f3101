import { sayMm } from '../../routes/places-in-words.ts';
import { LARGEST_MISFIT } from '../../routes/place-points.ts';
import { sayPointFault, sayZoneFault } from '../../routes/say.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Measurements of places that contradict one another, and zones that stand where they cannot. */
export const placeWrong: Rule = {
  key: 'place-wrong',
  check: ({ job, routes }) => {
    const found: SnagReport[] = [];
    const name = (
      rows: readonly { readonly id: string; readonly label?: string }[] | undefined,
      id: string,
      one: string,
    ) => {
      const at = rows?.findIndex((r) => r.id === id) ?? -1;
      const label = rows?.[at]?.label?.trim();
      return label ? `“${label}”` : `${one} ${at + 1}`;
    };
    const base = {
      grade: 'fix',
      stage: 'routes',
      source: 'geometry; what a tape is read to, common practice',
    } as const;
    for (const [id, placed] of Object.entries(routes.points)) {
      if (placed.ok || !['circle', 'cannotClose', 'unsettled'].includes(placed.fault.code)) continue;
      found.push({
        ...base,
        which: `point ${id}`,
        path: ['routes', 'points', id, 'label'],
        what: `Where ${name(job.routes?.points, id, 'point')} is does not come out.`,
        ...(placed.fault.code === 'cannotClose'
          ? {
              figure: { label: 'a tape is out by', ...figure('length', Math.abs(placed.fault.by)) },
              limit: { label: 'read to', ...figure('length', LARGEST_MISFIT) },
            }
          : {}),
        why: sayPointFault(job, id, placed.fault, sayMm),
        cure: 'Measure it again, from points that lie well apart.',
      });
    }
    for (const [id, fault] of Object.entries(routes.zoneFaults)) {
      if (fault.code !== 'insideTank' && fault.code !== 'flat') continue;
      found.push({
        ...base,
        which: `zone ${id}`,
        path: ['routes', 'zones', id, 'label'],
        what: `${name(job.routes?.zones, id, 'zone')} cannot stand where it is told to.`,
        why: sayZoneFault(job, fault),
        cure: 'Measure its two corners again.',
      });
    }
    return found;
  },
};
