import { expect } from 'chai';
import { crashRounds, interruptedFirstStart } from '../../../scripts/lib/crash-rounds.ts';
import { temporaryData } from '../../../scripts/lib/started-app.ts';

// the short version of npm run crash
const ROUNDS = 10;

describe('killed with -9', function () {
  this.timeout(240_000);
  it(`${ROUNDS} times at random, server, backend, PostgreSQL or all: no acknowledged act is lost or done twice`, async () => {
    const folder = temporaryData();
    const outcome = await crashRounds(folder.data, ROUNDS, 8);
    folder.remove();
    expect([outcome.lost, outcome.doubled, outcome.odd]).to.deep.equal([0, 0, []]);
    expect(outcome.acknowledged).to.be.above(50);
    expect(outcome.sentAgain, 'the killing was felt').to.be.above(0);
    for (const [victim, times] of Object.entries(outcome.rounds)) expect(times, victim).to.be.above(0);
    expect(outcome.slowest).to.be.below(30_000); // 8 s on an idle machine
  });
  for (const moment of [120, 800, 1600, 2600])
    it(`${moment} ms into its first start: the next one is whole`, async () => {
      const folder = temporaryData();
      const found = await interruptedFirstStart(folder.data, moment);
      folder.remove();
      expect(found).to.deep.equal({ killedAfter: moment, jobs: 6, locks: 0 });
    });
});
