// npm run said: writes anew what Endrel says of the jobs of packages/core/test/said; what moved is read in the diff.
import { writeFileSync } from 'node:fs';
import { allSaid, saidFile } from '../packages/core/test/said/said-jobs.ts';

for (const [name, said] of Object.entries(allSaid)) writeFileSync(saidFile(name), said().join('\n'));
