import { isPump } from '../../parts/kinds.ts';
import { sayMm } from '../../routes/places-in-words.ts';
import { figure } from '../../units/quantity.ts';
import { circuits, quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Suction lines that trap air in a high place, and lines that hang lowest of all under the vehicle. */
export const routeHeights: Rule = {
  key: 'route-heights',
  check: ({ job, routes }) => {
    const run = circuits(job);
    const found: SnagReport[] = [];
    for (const line of routes.lines) {
      if (line.kind === 'vent' || !isSuction(line.part)) continue;
      const high = line.turns?.filter((t) => t.kind === 'high') ?? [];
      if (high.length === 0) continue;
      const worst = high.reduce((a, b) => (b.by > a.by ? b : a));
      found.push({
        grade: 'fix',
        part: line.part,
        which: 'high',
        stage: 'routes',
        path: ['routes', 'lines', line.part, 'through'],
        what: `${quotedId(job, line.part)} goes over a high place ${sayMm(worst.along)} along it, on the suction side.`,
        figure: { label: 'over what follows', ...figure('length', worst.by) },
        why: 'Air gathers there, and the pump loses its prime each time it reaches it.',
        cure: 'Lead it so that it only falls, or only rises, to the pump.',
        source: 'common practice',
      });
    }
    const { lowest } = routes;
    if (lowest && lowest.line !== 'vent')
      found.push({
        grade: 'fix',
        part: lowest.line,
        which: 'lowest',
        stage: 'routes',
        path: ['routes', 'lines', lowest.line, 'through'],
        what: `${quotedId(job, lowest.line)} hangs lowest of all under the vehicle.`,
        figure: { label: 'below everything else', ...figure('length', lowest.under) },
        why: 'It is what a kerb, a rock or a jack meets first.',
        cure: `Bring it up by ${sayMm(lowest.under)} at least, or put something stronger below it.`,
        source: 'common practice',
      });
    return found;

    /** Whether what it feeds next on its way, besides filters and lines, is a pump. */
    function isSuction(id: string): boolean {
      const at = run.order.indexOf(id);
      if (at < 0 || run.lineOf(id) !== 'supply') return false;
      const after = run.order
        .slice(at + 1)
        .find((p) =>
          ['pump', 'enginePump', 'rail', 'carburettor', 'regulator', 'swirlPot'].includes(job.parts[p]!.kind),
        );
      return after !== undefined && isPump(job.parts[after]!);
    }
  },
};
