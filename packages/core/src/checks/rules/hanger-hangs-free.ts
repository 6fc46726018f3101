import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** A sprung hanger that does not reach the floor: its springs press nothing down. */
export const hangerHangsFree: Rule = {
  key: 'hanger-hangs-free',
  check: ({ job, hanger: { stand } }) => {
    if (!stand || job.hanger?.hold !== 'sprung' || stand.gap <= 0) return [];
    return [
      {
        grade: 'fix',
        stage: 'hanger',
        path: ['hanger', 'stack'],
        what: 'The sprung hanger hangs free of the floor.',
        figure: { label: 'stack height', ...figure('length', stand.stack) },
        limit: { label: 'plate to floor', ...figure('length', stand.plateSeated) },
        why: 'It swings with the fuel, the pickup stands high, and the last litres stay in the tank.',
        cure: 'Lengthen the rods until the springs press it onto the floor.',
        act: { act: 'set', path: ['hanger', 'stack'], value: measured(stand.wanted, 'mm') },
        actLabel: 'Set it to the height that suits',
        source: 'geometry; common practice',
      },
    ];
  },
};
