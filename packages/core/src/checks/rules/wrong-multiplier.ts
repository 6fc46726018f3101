import { volumeMultiplier } from '../../fluids/fuel.ts';
import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import { formatNumber, formatQuantity } from '../../units/format-quantity.ts';
import type { Rule } from '../snag.ts';

const CLOSE_ENOUGH = 0.03; // 3 %, common practice for fuelling

/** A rule-of-thumb volume multiplier that does not fit the blend, such as 1.32 with 85 % ethanol. */
export const wrongMultiplier: Rule = {
  key: 'wrong-multiplier',
  check: ({ job, fuel }) => {
    const quoted = job.brief.quotedMultiplier?.si;
    if (quoted === undefined || !fuel || fuel.family !== 'petrol') return [];
    const right = volumeMultiplier(fuel);
    const error = quoted / right - 1;
    if (Math.abs(error) <= CLOSE_ENOUGH) return [];
    const percent = formatNumber(Math.abs(error) * 100, 0);
    return [
      {
        grade: 'fix',
        stage: 'brief',
        path: ['brief', 'quotedMultiplier'],
        what: `The volume multiplier does not fit ${formatQuantity('fraction', fuel.ethanol)} ethanol.`,
        figure: { label: 'used', ...figure('number', quoted) },
        limit: { label: 'by mass balance', ...figure('number', right) },
        why: `Injectors and pump sized with it are about ${percent} % too ${error < 0 ? 'small: the engine runs lean' : 'large'}. A figure of 1.32 is often quoted for “E85”; it fits 70 %.`,
        cure: `Use ${formatNumber(right, 3)}, and test the blend with water: pump “E85” runs from the mid 50s to the mid 80s.`,
        act: { act: 'set', path: ['brief', 'quotedMultiplier'], value: measured(Number(right.toFixed(3)), '') },
        actLabel: `Use ${formatNumber(right, 3)}`,
        source: 'computed: stoichiometric ratios 14.7 and 9.0, densities 745 and 789 kg/m³',
      },
    ];
  },
};
