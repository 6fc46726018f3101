import { expect } from 'chai';
import { cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';
import { demoJobs } from '../../demo/index.ts';

describe('rule wrong-multiplier', () => {
  it('catches 1.32 with 85 % ethanol, 7 % lean, and offers 1.426', () => {
    const snag = expectSnag('wrong-multiplier', cleanJob(), demoJobs.sprintCar, 'fix');
    expect(snag.why).to.match(/about 7 % too small/);
    expect(snag.limit!.si).to.be.closeTo(1.426, 1e-3);
  });
  it('agrees with 1.32 at 70 %', () => {
    const seventy = cleanJob((j) =>
      Object.assign(j.brief, { ethanol: { si: 0.7, unit: '%' }, quotedMultiplier: { si: 1.32, unit: '' } }),
    );
    expect(snagsOfRule(seventy, 'wrong-multiplier')).to.deep.equal([]);
  });
});
