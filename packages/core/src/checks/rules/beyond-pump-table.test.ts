import { expect } from 'chai';
import { cleanJob, expectSnag, get } from '../../../test/rule-cases.ts';
import { findingsOf } from '../../reckoning/findings.ts';

describe('rule beyond-pump-table', () => {
  it('says when the pump is reckoned at a voltage that its tables do not reach', () => {
    const bad = cleanJob((j) => (get(j, 'pump').tables = get(j, 'pump').tables!.slice(0, 1)));
    expectSnag('beyond-pump-table', cleanJob(), bad, 'note', 'pump-1');
  });
  it('is silent where only the key-on falls outside: with the engine standing nothing hangs on the flow', () => {
    const job = (lowest: number, low: number) =>
      cleanJob((j) => {
        delete j.wiring;
        const [table] = get(j, 'pump').tables!;
        const volts = (si: number) => ({ si, unit: 'V' });
        get(j, 'pump').tables = [lowest, 13.5].map((v) => ({ ...table!, voltage: volts(v) }));
        Object.assign(j.assumptions, {
          restingVoltage: volts(12.2),
          lowVoltage: volts(low),
          chargingVoltage: volts(13.4),
        });
      });
    const extrapolated = (lowest: number, low = 12.6) => findingsOf(job(lowest, low)).solution!.extrapolated;
    expect(extrapolated(12.1)).to.equal(false);
    expect(extrapolated(12.5)).to.equal(false); // 12.2 V at key-on alone
    expect(extrapolated(12.5, 12.4)).to.equal(true); // full load, hot
  });
});
