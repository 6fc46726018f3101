import { expect } from 'chai';
import { carburettorJob, cleanJob, expectSnag, get, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule hose-below-pressure', () => {
  it('stops at carburettor hose on injection', () => {
    const bad = cleanJob((j) => (get(j, 'hose', 1).construction = 'r7'));
    expectSnag('hose-below-pressure', cleanJob(), bad, 'stop', 'hose-2');
  });
  it('leaves the same hose alone on a carburettor', () => {
    expect(snagsOfRule(carburettorJob(), 'hose-below-pressure')).to.deep.equal([]);
  });
  it('is milder where only the blocked pump would exceed the rating', () => {
    const [snag] = snagsOfRule(
      cleanJob((j) => delete get(j, 'pump').reliefPressure),
      'hose-below-pressure',
    );
    expect(snag).to.include({ grade: 'fix', part: 'hose-1' });
  });
});
