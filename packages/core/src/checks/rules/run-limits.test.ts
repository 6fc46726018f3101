import { runLimits } from '../../../test/limits/run-limits.ts';
import { triedAtItsLimit } from '../../../test/limits/limit.ts';

describe('limits of the run, just under and just over', () => {
  for (const limit of runLimits) it(`${limit.rule}: ${limit.what}`, () => triedAtItsLimit(limit));
});
