import { expect } from 'chai';
import { afterRailJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule pressure-creep', () => {
  it('speaks when the return is too small for what the pump spills at idle', () => {
    const bad = afterRailJob((j) => (get(j, 'returnDrop').bore = { si: 0.002, unit: 'mm' }));
    const snag = expectSnag('pressure-creep', afterRailJob(), bad, 'fix', 'regulator-1');
    expect(snag.figure!.si).to.be.greaterThan(snag.limit!.si * 1.05);
  });
});
