import { expect } from 'chai';
import fc from 'fast-check';
import { actsOf, anyDice } from '../../test/any-edit.ts';
import { assess } from './assess.ts';
import { demoJobs } from '../demo/index.ts';
import { isSame } from '../acts/is-same.ts';
import { restoring } from '../acts/touched.ts';
import { HeldJob } from './held-job.ts';
import { followed } from './assessment-change.ts';
import { casesOf, seedOf, PATIENCE } from '../../test/search.ts';

describe('a job that is held where it is reckoned', () => {
  it('answers nothing for a note, and the vent alone for where it ends', () => {
    const held = new HeldJob();
    held.hold(demoJobs.flatBedTender);
    const note = held.act({ act: 'set', path: ['survey', 'notes'], value: 'plug seized' });
    expect(note).to.deep.equal({ findings: {}, gone: [], snags: undefined });
    const vent = held.act({ act: 'set', path: ['survey', 'vent', 'outlet'], value: 'canister' });
    expect(Object.keys(vent.findings)).to.deep.equal(['vent']);
  });
  it('says which findings there are no longer', () => {
    const held = new HeldJob();
    held.hold(demoJobs.flatBedTender);
    const { gone, snags } = held.act({ act: 'set', path: ['brief', 'fuel'], value: undefined });
    expect(gone).to.include.members(['solution', 'fuel', 'demand', 'drive']);
    expect(snags).to.not.equal(undefined);
  });
  it('throws where an act does not go with it, and stays as it was', () => {
    const held = new HeldJob();
    const note = { act: 'set', path: ['survey', 'notes'], value: 'x' } as const;
    expect(() => held.act(note)).to.throw('no job is held');
    held.hold(demoJobs.mailVan);
    expect(() => held.act({ act: 'takeOut', id: 'no-such-part' })).to.throw();
    expect(held.act(note).gone).to.deep.equal([]);
  });
  it('told of any acts, says what would be said of the job anew', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(demoJobs) as (keyof typeof demoJobs)[])),
        fc.array(anyDice, { minLength: 1, maxLength: 5 }),
        (key, dice) => {
          const held = new HeldJob();
          let said = held.hold(structuredClone(demoJobs[key]));
          let job = demoJobs[key];
          for (const { after } of actsOf(job, dice)) {
            const records = restoring(after, job, 'edit');
            if (records) said = followed(said, after, structuredClone(held.act(records)));
            job = after;
          }
          expect(isSame(said, assess(structuredClone(job)))).to.equal(true);
        },
      ),
      { seed: seedOf(91), numRuns: casesOf(150) },
    );
  }).timeout(PATIENCE);
});
