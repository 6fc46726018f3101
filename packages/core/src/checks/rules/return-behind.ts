import { compartmentName } from '../../tanks/compartments.ts';
import type { Rule } from '../snag.ts';

/** A return that ends in a lobe, or behind a baffle, that the pickup does not drink from. */
export const returnBehindSill: Rule = {
  key: 'return-behind-sill',
  check: ({ job, hanger: { pickup } }) => {
    const behind = pickup?.returnBehind;
    if (behind === undefined || job.hanger?.returnIntoBucket) return [];
    return [
      {
        grade: 'fix',
        stage: 'hanger',
        path: ['hanger', 'returnLeft'],
        what: `The return ends in the part that the pickup does not drink from: ${compartmentName(job.survey.tank, behind)}.`,
        why: 'The pump carries the fuel over there litre by litre, and runs dry with fuel on board.',
        cure: 'End the return in the part that the pickup stands in, away from the pickup itself.',
        source: 'geometry; common practice',
      },
    ];
  },
};
