import { mm } from '../../units/quick.ts';
import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import type { Rule } from '../snag.ts';

const LARGEST = mm(100); // an inlet: beyond that it is no hole in a bucket

/** A bucket whose inlet passes less, at the level it must still run at, than is drawn from it. */
export const bucketCannotRefill: Rule = {
  key: 'bucket-cannot-refill',
  check: ({ hanger: { bucket } }) => {
    if (bucket?.refill === undefined || bucket.needed === undefined || bucket.refill >= bucket.needed) return [];
    const { wanted } = bucket;
    return [
      {
        grade: 'fix',
        stage: 'hanger',
        path: ['hanger', 'bucketInletBore'],
        what: 'The bucket cannot refill as fast as it is emptied.',
        figure: { label: 'flows in at the reserve level', ...figure('volumeFlow', bucket.refill) },
        limit: { label: 'is drawn from it', ...figure('volumeFlow', bucket.needed) },
        why: 'It runs dry while there is fuel round it.',
        cure: words`${wanted ? words`Open its inlet to ${figure('length', wanted)}` : 'Lower its inlet'}, or let the return end in it.`,
        ...(wanted && wanted < LARGEST
          ? {
              act: {
                act: 'set' as const,
                path: ['hanger', 'bucketInletBore'],
                value: measured(wanted, 'mm'),
              },
              actLabel: words`Open it to ${figure('length', wanted)}`,
            }
          : {}),
        source: 'orifice equation, sharp edge',
      },
    ];
  },
};
