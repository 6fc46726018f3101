import { fuelLimits } from '../../../test/limits/fuel-limits.ts';
import { triedAtItsLimit } from '../../../test/limits/limit.ts';

describe('limits of the fuel, just under and just over', () => {
  for (const limit of fuelLimits) it(`${limit.rule}: ${limit.what}`, () => triedAtItsLimit(limit));
});
