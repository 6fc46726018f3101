import { readSnag } from '../../test/rule-cases.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { anyDice, edited, notNumbers } from '../../test/any-edit.ts';
import { assess } from './assess.ts';
import { cutRows } from '../cards/cuts/cut-rows.ts';
import { partRows } from '../cards/parts/part-rows.ts';
import { sayIn } from '../units/unit-system.ts';
import { factsOf } from '../contract/summary.ts';
import { demoJobs } from '../demo/index.ts';
import { jobSchema } from '../job/job.ts';
import { workingsOf } from '../working/workings.ts';
import { casesOf, seedOf, PATIENCE } from '../../test/search.ts';

describe('a job after any edits that its forms let through', () => {
  for (const [name, job] of Object.entries(demoJobs))
    it(`${name}: stays valid, is assessed without a crash, and no figure in it is NaN or infinite`, function () {
      this.timeout(PATIENCE);
      fc.assert(
        fc.property(fc.array(anyDice, { minLength: 1, maxLength: 8 }), (dice) => {
          const after = edited(job, dice);
          const read = jobSchema.safeParse(after);
          expect(read.error?.issues, 'the document').to.equal(undefined);
          const { findings, snags } = assess(after);
          const { job: _routed, asLeft: _asLeft, ...found } = findings;
          expect(notNumbers({ found, snags, workings: workingsOf(findings) })).to.deep.equal([]);
          expect(
            notNumbers([partRows(after, sayIn('metric')), cutRows(after, sayIn('metric')), factsOf(after)]),
          ).to.deep.equal([]);
          const isExcused = findings.faults.length > 0 || findings.needs.some((n) => n.blocksSolution);
          expect(findings.solution !== undefined || isExcused, 'it is solved, or it is said why not').to.equal(true);
          expect(new Set(snags.map((s) => s.id)).size, 'each snag has a name of its own').to.equal(snags.length);
          for (const snag of snags.map(readSnag))
            expect(`${snag.what} ${snag.why} ${snag.cure}`).to.not.match(/NaN|undefined|null|∞/);
        }),
        { numRuns: casesOf(250), seed: seedOf(20_261_126) },
      );
    });
});
