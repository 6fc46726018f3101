import { expect } from 'chai';
import { changed, cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';
import { demoJobs } from '../../demo/index.ts';

describe('rule pump-margin', () => {
  it('stops where the engine wants more than the run can deliver', () => {
    const bad = cleanJob((j) => (j.brief.power = { si: 400e3, unit: 'kW' }));
    const snag = expectSnag('pump-margin', cleanJob(), bad, 'stop', 'pump-1');
    expect(snag.figure!.si).to.be.lessThan(snag.limit!.si);
  });
  it('asks for 15 % in hand before that', () => {
    const eased = changed(demoJobs.sprintCar, (j) => (j.brief.power!.si *= 0.95));
    expect(snagsOfRule(eased, 'pump-margin')[0]).to.include({ grade: 'fix' });
    expect(snagsOfRule(demoJobs.sprintCar, 'pump-margin')[0]).to.include({ grade: 'stop' }); // hot fuel is lighter
  });
});
