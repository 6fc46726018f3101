// npm run crash -- [--rounds 100] [--first-starts 50] [--seed 1]: kills Endrel at random and counts what was lost.
import { parseArgs } from 'node:util';
import { crashRounds, interruptedFirstStart } from './lib/crash-rounds.ts';
import { temporaryData } from './lib/started-app.ts';

const { values } = parseArgs({
  options: {
    rounds: { type: 'string', default: '100' },
    'first-starts': { type: 'string', default: '50' },
    seed: { type: 'string', default: '1' },
  },
});
const LONGEST = 3000; // ms into a first start
let failed = false;

const rounds = Number(values.rounds);
if (rounds > 0) {
  const folder = temporaryData();
  const outcome = await crashRounds(folder.data, rounds, Number(values.seed), (line) => console.log(line));
  folder.remove();
  console.log(JSON.stringify(outcome, undefined, 2));
  failed ||= outcome.lost + outcome.doubled + outcome.odd.length > 0;
}
const starts = Number(values['first-starts']);
for (let i = 0; i < starts; i++) {
  const folder = temporaryData();
  const found = await interruptedFirstStart(folder.data, (i / Math.max(1, starts - 1)) * LONGEST);
  folder.remove();
  console.log(
    `first start killed after ${Math.round(found.killedAfter)} ms: ${found.jobs} jobs, ${found.locks} locks left`,
  );
  failed ||= found.jobs !== 6 || found.locks > 0;
}
process.exit(failed ? 1 : 0);
