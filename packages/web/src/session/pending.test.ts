import { expect } from 'chai';
import type { Act } from '@endrel/core/acts/act';
import { demoJobs } from '@endrel/core/demo/index';
import { fieldOf, valueOf, withActs } from './pending.ts';

const { mailVan } = demoJobs;
const set = (mm: number): Act => ({
  act: 'set',
  path: ['survey', 'tank', 'depth'],
  value: { si: mm / 1000, unit: 'mm' },
});
const remove: Act = { act: 'takeOut', id: 'hose-1' };
const lengthen: Act = { act: 'setOnPart', id: 'hose-1', key: 'length', value: { si: 0.2, unit: 'mm' } };

describe('acts that wait', () => {
  it('are done on a job in their order; what cannot be done any more is left out with why', () => {
    const acts = [{ act: set(240) }, { act: remove }, { act: lengthen }, { act: set(250) }];
    const { job, done, dropped } = withActs(mailVan, acts);
    expect(job.survey.tank.depth!.si).to.equal(0.25);
    expect(job.parts['hose-1']).to.equal(undefined);
    expect(done).to.deep.equal([acts[0], acts[1], acts[3]]);
    expect(dropped.map((d) => d.act)).to.deep.equal([acts[2]]);
    expect(dropped[0]!.why).to.match(/hose-1/);
    expect(withActs(mailVan, [])).to.deep.equal({ job: mailVan, done: [], dropped: [] });
  });
  it('say which field they fill in, and with what, where it is one', () => {
    expect([fieldOf(set(240)), valueOf(set(240))]).to.deep.equal([
      ['survey', 'tank', 'depth'],
      { si: 0.24, unit: 'mm' },
    ]);
    expect(fieldOf(lengthen)).to.deep.equal(['parts', 'hose-1', 'length']);
    expect([fieldOf(remove), valueOf(remove)]).to.deep.equal([undefined, undefined]);
  });
});
