import { tankLimits } from '../../../test/limits/tank-limits.ts';
import { triedAtItsLimit } from '../../../test/limits/limit.ts';

describe('limits of the tank, just under and just over', () => {
  for (const limit of tankLimits) it(`${limit.rule}: ${limit.what}`, () => triedAtItsLimit(limit));
});
