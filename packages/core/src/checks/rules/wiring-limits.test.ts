import { wiringLimits } from '../../../test/limits/wiring-limits.ts';
import { triedAtItsLimit } from '../../../test/limits/limit.ts';

describe('limits of the wiring, just under and just over', () => {
  for (const limit of wiringLimits) it(`${limit.rule}: ${limit.what}`, () => triedAtItsLimit(limit));
});
