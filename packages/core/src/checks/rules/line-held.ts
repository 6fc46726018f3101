import { sayMm } from '../../routes/places-in-words.ts';
import { figure } from '../../units/quantity.ts';
import { quotedId } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Lines that are clipped too far apart. Says nothing of lines that no clip is told of yet: the list of clips asks for those. */
export const lineHeld: Rule = {
  key: 'line-held',
  check: ({ job, routes }) =>
    Object.entries(routes.clips).flatMap(([line, { at, loose, proposed }]): SnagReport[] => {
      if (at.length === 0 || loose.length === 0) return [];
      const worst = loose.reduce((a, b) => (b.to - b.from - b.most > a.to - a.from - a.most ? b : a));
      return [
        {
          grade: 'fix',
          part: line,
          stage: 'routes',
          path: ['routes', 'lines', line, 'through'],
          what: `${quotedId(job, line)} is held by nothing from ${sayMm(worst.from)} to ${sayMm(worst.to)} along it.`,
          figure: { label: 'not held', ...figure('length', worst.to - worst.from) },
          limit: { label: 'at most', ...figure('length', worst.most) },
          why: 'It hums, sags and wears where it touches, and its joints carry it.',
          cure: `Clip it at ${proposed.map((p) => sayMm(p.along)).join(', ')}.`,
          source: 'common practice',
        },
      ];
    }),
};
