import { expect } from 'chai';
import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule line-below-pressure', () => {
  it('stops at tube too thin by Barlow: p = 2 S t / (4 D)', () => {
    const bad = cleanJob((j) => {
      Object.assign(get(j, 'hardLine'), {
        material: 'nylon',
        wall: { si: 0.00025, unit: 'mm' },
        outsideDiameter: { si: 0.0085, unit: 'mm' },
      });
    });
    const snag = expectSnag('line-below-pressure', cleanJob(), bad, 'stop', 'hard-line-1');
    expect(snag.limit!.si).to.be.closeTo((2 * 25e6 * 0.00025) / (4 * 0.0085), 1);
  });
});
