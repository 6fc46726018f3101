import type { Rule } from '../snag.ts';
import { flowOf, placedOf, quoted } from '../reading.ts';
import { measured } from '../../job/measured.ts';
import { pointKeys } from '../../run/operating-point.ts';
import { bladeFuses, FUSE_FACTOR } from '../../wiring/fuse.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { figure } from '../../units/quantity.ts';

/** A fuse below 1.25 times the pump's highest current blows on a hot day. */
export const fuseTooSmall: Rule = {
  key: 'fuse-too-small',
  check: (findings) =>
    placedOf(findings.job, 'pump').flatMap(({ component, line, index }) => {
      const currents = pointKeys.map((p) => flowOf(findings, p, component.id)?.current).filter((c) => c !== undefined);
      if (!component.fuse || currents.length === 0) return [];
      const least = Math.max(...currents) * FUSE_FACTOR;
      if (component.fuse.si >= least) return [];
      const next = bladeFuses.find((size) => size >= least);
      return [
        {
          grade: 'fix',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'fuse'],
          what: `The fuse of ${quoted(component)} is too small for its current.`,
          figure: { label: 'fuse', ...figure('current', component.fuse.si) },
          limit: { label: '1.25 × highest pump current', ...figure('current', least) },
          why: 'It will blow when the pump works hardest; a bigger fuse also needs wire and pins that carry it.',
          cure: next
            ? `Fit a ${formatQuantity('current', next)} fuse, and check that wire and connector pins carry more than it does.`
            : 'No blade fuse is large enough: split the pumps onto separate relays and fuses.',
          act: next ? { act: 'setOnComponent', id: component.id, key: 'fuse', value: measured(next, 'A') } : undefined,
          actLabel: next ? `Fit ${formatQuantity('current', next)}` : undefined,
          source: '1.25 × current, common practice; sizes ISO 8820-3',
        },
      ];
    }),
};
