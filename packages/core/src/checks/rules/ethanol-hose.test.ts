import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule ethanol-hose', () => {
  it('asks about hose whose liner decides', () => {
    const bad = cleanJob((j) => {
      j.brief.ethanol = { si: 0.85, unit: '%' };
      get(j, 'hose', 1).construction = 'braidedRubber';
    });
    expectSnag('ethanol-hose', cleanJob(), bad, 'fix', 'hose-2');
  });
});
