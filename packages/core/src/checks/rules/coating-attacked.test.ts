import { expect } from 'chai';
import { cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule coating-attacked', () => {
  it('stops at zinc with E85 and only notes E10', () => {
    const bad = cleanJob((j) => {
      j.survey.tank.coating = 'zinc';
      j.brief.ethanol = { si: 0.85, unit: '%' };
    });
    expectSnag('coating-attacked', cleanJob(), bad, 'stop');
    bad.brief.ethanol = { si: 0.1, unit: '%' };
    expect(snagsOfRule(bad, 'coating-attacked')[0]!.grade).to.equal('note');
    bad.brief.fuel = 'diesel';
    expect(snagsOfRule(bad, 'coating-attacked')).to.deep.equal([]);
  });
});
