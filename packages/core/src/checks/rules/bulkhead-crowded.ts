import { endPairs, placedEnds } from '../../joints/bulkhead-room.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** Hose ends through one wall that stand too near each other for a spanner. */
export const bulkheadCrowded: Rule = {
  key: 'bulkhead-crowded',
  check: ({ job }) => {
    const pairs = endPairs(placedEnds(job.bulkhead ?? []));
    const [worst] = pairs;
    if (!worst || worst.distance >= worst.needed) return [];
    const crowded = pairs.filter((p) => p.distance < p.needed).length;
    return [
      {
        grade: 'fix',
        stage: 'joints',
        path: ['bulkhead', worst.b.id, 'along'],
        what: `“${worst.a.label}” and “${worst.b.label}” stand too near each other for a spanner${crowded > 1 ? `, and ${crowded - 1} more pairs` : ''}.`,
        figure: { label: 'between their middles', ...figure('length', worst.distance) },
        limit: { label: 'a spanner wants', ...figure('length', worst.needed) },
        why: 'Hose ends that can be started by hand cannot be tightened.',
        cure: 'Space them wider, stagger them, or use ends of unlike length so that the nuts stand at unlike heights.',
        source: 'geometry; spanner head typical, from memory',
      },
    ];
  },
};
