import { expect } from 'chai';
import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';

describe('rule velocity-high', () => {
  it('notes a return that runs faster than 2 m/s', () => {
    const bad = cleanJob((j) => {
      get(j, 'hose', 2).bore = { si: 0.005, unit: 'mm' };
      delete j.wiring; // at the system's own voltage
    });
    const snag = expectSnag('velocity-high', cleanJob(), bad, 'note', 'hose-3');
    // 216.5 L/h through 5 mm
    expect(snag.figure!.si).to.be.closeTo(216.5 / 3.6e6 / ((Math.PI * 0.005 ** 2) / 4), 0.1);
  });
});
