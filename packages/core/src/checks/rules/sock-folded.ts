import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** A sock that is pressed onto the floor further than it may be, or that hangs too high to touch. */
export const sockFolded: Rule = {
  key: 'sock-folded',
  check: ({ job, hanger: { stand } }) => {
    if (!stand || job.hanger?.hold !== 'rigid' || -stand.gap <= stand.mayBePressed) return [];
    return [
      {
        grade: 'fix',
        stage: 'hanger',
        path: ['hanger', 'stack'],
        what: 'The sock folds under the pump.',
        figure: { label: 'pressed by', ...figure('length', -stand.gap) },
        limit: { label: 'at most', ...figure('length', stand.mayBePressed) },
        why: 'A folded sock closes over the pump’s inlet and starves it.',
        cure: 'Shorten the stack so that the sock just touches the floor.',
        act: { act: 'set', path: ['hanger', 'stack'], value: measured(stand.wanted, 'mm') },
        actLabel: 'Set it to the height that suits',
        source: 'geometry; common practice',
      },
    ];
  },
};
