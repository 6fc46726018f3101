import { jointLimits } from '../../../test/limits/joint-limits.ts';
import { triedAtItsLimit } from '../../../test/limits/limit.ts';

describe('limits of the joint, just under and just over', () => {
  for (const limit of jointLimits) it(`${limit.rule}: ${limit.what}`, () => triedAtItsLimit(limit));
});
