import { cleanJob, expectSnag } from '../../../test/rule-cases.ts';

describe('rule fixed-regulator-with-boost', () => {
  it('stops at a fixed 4 bar regulator on a boosted engine', () => {
    const bad = cleanJob((j) => Object.assign(j.brief, { aspiration: 'turbo', boost: { si: 80e3, unit: 'kPa' } }));
    expectSnag('fixed-regulator-with-boost', cleanJob(), bad, 'stop', 'regulator-1');
  });
});
