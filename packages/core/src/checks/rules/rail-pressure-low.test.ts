import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule rail-pressure-low', () => {
  it('speaks when a long thin line eats the rail pressure at full load', () => {
    const bad = cleanJob((j) => {
      j.brief.power = { si: 190e3, unit: 'kW' };
      Object.assign(get(j, 'hardLine'), { outsideDiameter: { si: 0.006, unit: 'mm' }, length: { si: 9, unit: 'mm' } });
    });
    expectSnag('rail-pressure-low', cleanJob(), bad, 'stop', 'rail-1');
  });
});
