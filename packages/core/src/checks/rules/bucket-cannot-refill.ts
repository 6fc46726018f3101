import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import type { Rule } from '../snag.ts';

/** A bucket whose inlet passes less, at the level it must still run at, than is drawn from it. */
export const bucketCannotRefill: Rule = {
  key: 'bucket-cannot-refill',
  check: ({ job, hanger: { bucket } }) => {
    if (bucket?.refill === undefined || bucket.needed === undefined || bucket.refill >= bucket.needed) return [];
    const bore = job.hanger!.bucketInletBore!.si;
    // flow goes with the area: the bore that just passes it, and a tenth more
    const wanted = bucket.refill > 0 ? bore * Math.sqrt(bucket.needed / bucket.refill) * 1.1 : undefined;
    return [
      {
        grade: 'fix',
        stage: 'hanger',
        path: ['hanger', 'bucketInletBore'],
        what: 'The bucket cannot refill as fast as it is emptied.',
        figure: { label: 'flows in at the reserve level', ...figure('volumeFlow', bucket.refill) },
        limit: { label: 'is drawn from it', ...figure('volumeFlow', bucket.needed) },
        why: 'It runs dry while there is fuel round it.',
        cure: `${wanted ? `Open its inlet to ${(wanted * 1000).toFixed(0)} mm` : 'Lower its inlet'}, or let the return end in it.`,
        ...(wanted && wanted < 0.1
          ? {
              act: {
                act: 'set' as const,
                path: ['hanger', 'bucketInletBore'],
                value: measured(Math.ceil(wanted * 1000) / 1000, 'mm'),
              },
              actLabel: `Open it to ${Math.ceil(wanted * 1000)} mm`,
            }
          : {}),
        source: 'orifice equation, sharp edge',
      },
    ];
  },
};
