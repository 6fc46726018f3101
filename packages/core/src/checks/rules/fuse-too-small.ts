import { withArticle } from '../../units/article.ts';
import { measured } from '../../job/measured.ts';
import { FUSE_FACTOR, fuseFor } from '../../wiring/fuse.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { figure } from '../../units/quantity.ts';
import { passesMore } from '../../wiring/ampacity.ts';
import { rewired, thinnestWire } from './wire-too-thin.ts';
import { mostCurrent, partsOfKind, quoted } from '../reading.ts';
import type { Rule } from '../snag.ts';

/** A fuse below 1.25 times the pump's highest current blows on a hot day. */
export const fuseTooSmall: Rule = {
  key: 'fuse-too-small',
  check: (findings) =>
    partsOfKind(findings.job, 'pump').flatMap((part) => {
      const current = mostCurrent(findings, part.id);
      if (!part.fuse || current === undefined) return [];
      const least = current * FUSE_FACTOR;
      if (part.fuse.si >= least) return [];
      const next = fuseFor(current);
      const thinnest = thinnestWire(part);
      // a larger fuse alone would pass what the wire there is does not carry
      const needsWire = next !== undefined && thinnest !== undefined && passesMore(next, thinnest);
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'fuse'],
          what: `The fuse of ${quoted(part)} is too small for its current.`,
          figure: { label: 'fuse', ...figure('current', part.fuse.si) },
          limit: { label: '1.25 × highest pump current', ...figure('current', least) },
          why: 'It will blow when the pump works hardest; a bigger fuse also needs wire and pins that carry it.',
          cure: next
            ? `Fit ${withArticle(formatQuantity('current', next))} fuse, and check that wire and connector pins carry more than it does.`
            : 'No blade fuse is large enough: split the pumps onto separate relays and fuses.',
          act: next ? { act: 'setOnPart', id: part.id, key: 'fuse', value: measured(next, 'A') } : undefined,
          actLabel: next ? `Fit ${formatQuantity('current', next)}` : undefined,
          ...(needsWire && rewired(part, current)),
          source: '1.25 × current, common practice; sizes ISO 8820-3',
        },
      ];
    }),
};
