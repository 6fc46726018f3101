import { expect } from 'chai';
import { pumpRuns } from './staging.ts';

const pump = (rest: object) => ({ kind: 'pump', id: 'pump-1', ...rest }) as Parameters<typeof pumpRuns>[0];
const demand = (lph: number, boost = 0) => ({ demand: lph / 3.6e6, manifold: boost * 1e3 });

describe('a staged pump', () => {
  it('runs always unless told otherwise', () => {
    expect(pumpRuns(pump({}), demand(0))).to.equal(true);
    expect(pumpRuns(pump({ runs: 'always' }), demand(0))).to.equal(true);
  });
  it('starts at its demand', () => {
    const second = pump({ runs: 'onDemand', startsAtDemand: { si: 90 / 3.6e6, unit: 'L/h' } });
    expect([80, 90, 200].map((q) => pumpRuns(second, demand(q)))).to.deep.equal([false, true, true]);
  });
  it('starts at its boost', () => {
    const third = pump({ runs: 'onBoost', startsAtBoost: { si: 40e3, unit: 'kPa' } });
    expect([-60, 30, 120].map((p) => pumpRuns(third, demand(50, p)))).to.deep.equal([false, false, true]);
  });
});
