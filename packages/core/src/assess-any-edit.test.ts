import { expect } from 'chai';
import fc from 'fast-check';
import { anyDice, edited, notNumbers } from '../test/any-edit.ts';
import { assess } from './assess.ts';
import { cutRows, partRows } from './cards/parts-card.ts';
import { summariseJob } from './contract/summary.ts';
import { demoJobs } from './demo/index.ts';
import { jobSchema } from './job/job.ts';
import { workingsOf } from './working/workings.ts';

/** More of them for a long search: ENDREL_RUNS=1000. */
const runs = Number(process.env.ENDREL_RUNS ?? 60);

describe('a job after any edits that its forms let through', () => {
  for (const [name, job] of Object.entries(demoJobs))
    it(`${name}: stays valid, is assessed without a crash, and no figure in it is NaN or infinite`, function () {
      this.timeout(600_000);
      fc.assert(
        fc.property(fc.array(anyDice, { minLength: 1, maxLength: 8 }), (dice) => {
          const after = edited(job, dice);
          const read = jobSchema.safeParse(after);
          expect(read.error?.issues, 'the document').to.equal(undefined);
          const { findings, snags } = assess(after);
          const { job: _, ...found } = findings;
          expect(notNumbers({ found, snags, workings: workingsOf(findings) })).to.deep.equal([]);
          expect(notNumbers([partRows(after), cutRows(after), summariseJob('id', '', after)])).to.deep.equal([]);
          for (const snag of snags)
            expect(`${snag.what} ${snag.why} ${snag.cure}`).to.not.match(/NaN|undefined|null|∞/);
        }),
        { numRuns: runs },
      );
    });
});
