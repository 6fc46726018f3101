import { expect } from 'chai';
import { cleanJob, expectSnag } from '../../../test/rule-cases.ts';

describe('rule no-regulator', () => {
  it('stops at a pump that nothing holds: the rail climbs to the relief or dead-head pressure', () => {
    const bad = cleanJob((j) => {
      j.run.supply = j.run.supply.filter((c) => c.kind !== 'regulator');
      j.run.return = [];
    });
    const snag = expectSnag('no-regulator', cleanJob(), bad, 'stop', 'pump-1');
    expect(snag.figure!.si).to.be.greaterThan(600e3);
  });
});
