import { afterRailJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule set-pressure', () => {
  it('asks for the pressure of the brief, and sets an adjustable regulator to it', () => {
    const bad = afterRailJob((j) => (get(j, 'regulator').setPressure = { si: 350e3, unit: 'kPa' }));
    expectSnag('set-pressure', afterRailJob(), bad, 'fix', 'regulator-1');
  });
});
