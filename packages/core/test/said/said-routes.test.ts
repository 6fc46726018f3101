import { expectAsWritten } from './as-written.ts';
import { saidOfWays } from './said-jobs.ts';

describe('what Endrel says of routes, as measured and with each measure off', () => {
  for (const [name, said] of Object.entries(saidOfWays)) it(name, () => expectAsWritten(name, said));
});
