import { expect } from 'chai';
import { cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';

describe('rule suction-margin', () => {
  it('speaks when hot, volatile fuel nears boiling at the pump', () => {
    const bad = cleanJob((j) => (j.assumptions.hotFuelTemperature = { si: 273.15 + 58, unit: '°C' }));
    expectSnag('suction-margin', cleanJob(), bad, 'stop', 'pump-1');
    const near = cleanJob((j) => (j.assumptions.hotFuelTemperature = { si: 273.15 + 52, unit: '°C' }));
    expect(snagsOfRule(near, 'suction-margin')[0]!.grade).to.equal('fix');
  });
});
