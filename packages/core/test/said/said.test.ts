import { expect } from 'chai';
import { moved } from './moved.ts';
import { expectAsWritten } from './as-written.ts';
import { saidOfDeeds, saidOfJobs, saidOfThreads } from './said-jobs.ts';

describe('what Endrel says of whole jobs, word for word and figure for figure', () => {
  for (const [name, said] of Object.entries(saidOfJobs)) it(name, () => expectAsWritten(name, said));
});

describe('what acts do', () => {
  for (const [name, said] of Object.entries(saidOfDeeds)) it(name, () => expectAsWritten(name, said));
});

describe('what Endrel makes of threads as they are read', () => {
  for (const [name, said] of Object.entries(saidOfThreads)) it(name, () => expectAsWritten(name, said));
});

describe('lines that moved', () => {
  it('are those of which a word, a count or the last digit but one of a figure differs', () => {
    expect(moved(['a 1.234 b'], ['a 1.235 b'])).to.deep.equal([]);
    expect(moved(['a 1.234 b'], ['a 1.237 b'])).to.have.length(1);
    expect(moved(['a 12'], ['a 13'])).to.have.length(1);
    expect(moved(['x 1e-10'], ['x −1e-10'])).to.deep.equal([]);
    expect(moved(['x 300000'], ['x 300200'])).to.deep.equal([]);
    expect(moved(['x 300000'], ['x 300500'])).to.have.length(1);
    expect(moved(['a'], ['a', 'b'])).to.deep.equal([', line 2\n  was \n  is  b']);
    expect(moved(['== h', 'a'], ['== h', 'c'])).to.deep.equal(['== h, line 2\n  was a\n  is  c']);
  });
});
