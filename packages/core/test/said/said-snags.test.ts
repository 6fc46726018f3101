import { expectAsWritten } from './as-written.ts';
import { saidOfLimits } from './said-jobs.ts';

describe('what a snag says over its limit, word for word, in both systems of units', () => {
  for (const [name, said] of Object.entries(saidOfLimits)) it(name, () => expectAsWritten(name, said));
});
