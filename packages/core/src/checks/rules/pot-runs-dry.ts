import { netDraw, potVolumeFor, secondsOf } from '../../run/swirl-pot.ts';
import { settledValue } from '../../parts/value.ts';
import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

/** A lift pump that does not keep its pot full, or a pot too small to carry the engine through a bend. */
export const potRunsDry: Rule = {
  key: 'pot-runs-dry',
  check: ({ job, solution }) =>
    partsOfKind(job, 'swirlPot').flatMap((part): SnagReport[] => {
      if (!solution) return [];
      const reports: SnagReport[] = [];
      const base = { stage: 'run', part: part.id } as const;
      const atEach = Object.values(solution.points).flatMap((p) => (p?.pot ? [{ name: p.point.name, ...p.pot }] : []));
      const worst = atEach.reduce((a, b) => (b.overflow < a.overflow ? b : a));
      const margin = settledValue(part, 'liftMargin');
      if (worst.overflow < margin)
        reports.push({
          ...base,
          grade: worst.overflow < 0 ? 'stop' : 'fix',
          what:
            worst.overflow < 0
              ? `The lift pump does not keep ${quoted(part)} full at ${worst.name}.`
              : `The lift pump has little in hand over what is drawn from ${quoted(part)} at ${worst.name}.`,
          figure: { label: 'lifted', ...figure('volumeFlow', worst.lift) },
          limit: {
            label: 'drawn less returned, and margin',
            ...figure('volumeFlow', worst.draw - worst.back + margin),
          },
          why:
            worst.overflow < 0 && part.volume
              ? `The pot runs down in ${Math.round(part.volume.si / -worst.overflow)} s, then the high-pressure pump draws air.`
              : 'A worn lift pump or a clogged sock then lets the pot run down.',
          cure: 'Use a larger lift pump, a bigger bore between it and the pot, or more voltage at it.',
          source: 'computed',
        });
      const wanted = settledValue(part, 'secondsWanted');
      const { pot } = solution.points.fullLoad;
      const net = pot ? netDraw(pot) : 0;
      if (part.volume && secondsOf(part.volume.si, net) < wanted) {
        const volume = potVolumeFor(wanted, net);
        reports.push({
          ...base,
          grade: 'note',
          path: ['parts', part.id, 'volume'],
          which: 'small',
          what: `${quoted(part)} is small: with the pickup dry it does not last as long as you want.`,
          figure: {
            label: 'lasts at full load',
            ...figure('time', secondsOf(part.volume.si, net)),
          },
          limit: { label: 'wanted', ...figure('time', wanted) },
          why: 'In a long bend at full load the pot is all the fuel there is.',
          cure: words`A pot of ${figure('volume', volume)} would do.`,
          act: { act: 'setOnPart', id: part.id, key: 'volume', value: measured(volume, 'L') },
          actLabel: words`Make it ${figure('volume', volume)}`,
          source: 'computed: volume over what is drawn less what comes back into it',
        });
      }
      return reports;
    }),
};
