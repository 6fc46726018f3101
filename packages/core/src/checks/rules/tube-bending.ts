import { usualNut } from '../../routes/tube-ends.ts';
import { TIGHTEST_BEND } from '../../routes/bender.ts';
import { sayMm } from '../../routes/places-in-words.ts';
import { figure } from '../../units/quantity.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** Tubes that cannot be bent as they are drawn, or whose nuts could not go on any more. */
export const tubeBending: Rule = {
  key: 'tube-bending',
  check: ({ job, routes }) =>
    partsOfKind(job, 'hardLine').flatMap((part): SnagReport[] => {
      const tube = routes.lines.find((l) => l.part === part.id)?.tube;
      if (!tube?.table || !tube.bench) return [];
      const { table, bench } = tube;
      const outside = part.outsideDiameter?.si;
      const name = quoted(part);
      const base = {
        part: part.id,
        stage: 'routes',
        source: 'geometry; bender typical, from memory, where it is not measured',
      } as const;
      const lines = ['routes', 'lines', part.id] as const;
      const found: SnagReport[] = [];
      const lacks = table.straights.map((s, i) => ({ s, i })).filter(({ s }) => s < 0);
      if (lacks.length > 0) {
        const worst = lacks.reduce((a, b) => (b.s < a.s ? b : a));
        found.push({
          ...base,
          grade: 'stop',
          which: 'no room',
          path: [...lines, 'bender', 'radius'],
          what: `${name} has no room for its bends: straight ${worst.i + 1} lacks ${sayMm(-worst.s)}.`,
          figure: { label: 'bend radius', ...figure('length', tube.bendRadius) },
          why: 'Two bends take more tube than there is between their corners.',
          cure: 'Move the corners apart, or take a bender with a smaller radius.',
        });
      } else if (bench.short.length > 0) {
        const worst = bench.short.reduce((a, b) => (b.needs - b.is > a.needs - a.is ? b : a));
        const why = {
          bender: 'The hook of the bender does not hold it.',
          between: 'The die meets the bend before.',
          end: 'The flaring tool and the nut have no room there.',
        }[worst.why];
        found.push({
          ...base,
          grade: 'fix',
          which: 'short straight',
          path: [...lines, 'through'],
          what: `Straight ${worst.straight + 1} of ${name} is too short for ${worst.why === 'end' ? 'its end' : 'the bender'}.`,
          figure: { label: 'straight', ...figure('length', worst.is) },
          limit: { label: 'needed', ...figure('length', worst.needs) },
          why,
          cure: `Move a corner ${sayMm(worst.needs - worst.is)} on.`,
        });
      }
      if (outside !== undefined && bench.isTight)
        found.push({
          ...base,
          grade: 'fix',
          which: 'tight',
          path: [...lines, 'bender', 'radius'],
          what: `${name} is bent tighter than such tube takes by hand.`,
          figure: { label: 'bend radius', ...figure('length', tube.bendRadius) },
          limit: { label: `${TIGHTEST_BEND} times its outside`, ...figure('length', TIGHTEST_BEND * outside) },
          why: 'It flattens on the outside or kinks on the inside, and chokes the line.',
          cure: 'Take a bender with a wider die.',
          source: 'common practice',
        });
      if (bench.order.clashes.length > 0)
        found.push({
          ...base,
          grade: 'fix',
          which: 'clash',
          path: [...lines, 'through'],
          what: `In no order that was tried is ${name} bent without its bender meeting a bend that is made.`,
          figure: { label: 'into the bender', ...figure('length', Math.max(...bench.order.clashes.map((c) => c.by))) },
          why: 'Handle or vice stand where the tube would have to be.',
          cure: 'Make it of two pieces with a union, or move a corner.',
        });
      const hasNut = bench.ends.some((e) => e.nut);
      if (hasNut && table.bends.length > 0 && !bench.nutPasses && job.routes?.lines?.[part.id]?.nutsOn !== true)
        found.push({
          ...base,
          grade: 'fix',
          which: 'nut',
          path: [...lines, 'nutsOn'],
          what: `Nuts and sleeves of ${name} have to be on before it is bent and flared.`,
          figure: { label: 'a nut of', ...figure('length', usualNut.length * (outside ?? tube.bendRadius / 3)) },
          limit: { label: 'does not pass a bend of', ...figure('length', tube.bendRadius) },
          why: 'Past a bend, or behind a flare, no nut goes on any more, and the end is cut off again.',
          cure: 'Slide both nuts and sleeves on first, each between its end and the first bend.',
          act: { act: 'set', path: [...lines, 'nutsOn'], value: true },
          actLabel: 'They go on first',
          source: 'common practice; nut typical, from memory',
        });
      return found;
    }),
};
