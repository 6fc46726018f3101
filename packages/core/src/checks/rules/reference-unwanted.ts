import { takesReference } from '../../job/brief.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** A reference hose joined although the engine is mapped for a fixed rail pressure. */
export const referenceUnwanted: Rule = {
  key: 'reference-unwanted',
  check: ({ job }) => {
    const { brief } = job;
    if (takesReference(brief) || brief.induction !== 'injection') return [];
    return partsOfKind(job, 'regulator', 'filterRegulator').flatMap((part) =>
      part.referenced
        ? [
            {
              grade: 'fix' as const,
              stage: 'run' as const,
              part: part.id,
              path: ['parts', part.id, 'referenced'],
              what: `${quoted(part)} follows the manifold, and the brief says that the engine expects no reference.`,
              why: 'Under manifold vacuum the rail then has less than the control unit reckons with: it runs lean at idle and cruise.',
              cure: 'Leave the reference hose off and the nipple open to clean air, or correct the brief.',
              act: { act: 'setOnPart' as const, id: part.id, key: 'referenced', value: false },
              actLabel: 'Leave the hose off',
              source: 'common practice',
            },
          ]
        : [],
    );
  },
};
