import { expect } from 'chai';
import { cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';
import { demoJobs } from '../../demo/index.ts';

describe('rule fine-filter-before-pump', () => {
  it('stops at a 10 µm filter before the pump, and moves it after', () => {
    expectSnag('fine-filter-before-pump', cleanJob(), demoJobs.flatBedTender, 'stop', 'filter-2');
  });
  it('lets a coarse strainer stand there', () => {
    expect(snagsOfRule(demoJobs.beachBuggy, 'fine-filter-before-pump')).to.deep.equal([]);
  });
});
