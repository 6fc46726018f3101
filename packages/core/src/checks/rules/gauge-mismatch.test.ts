import { expect } from 'chai';
import { cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';

const ohm = (si: number) => ({ si, unit: 'Ω' });

describe('rule gauge-mismatch', () => {
  it('stops at a sender whose sense is opposite to the gauge’s (240–33 to 0–90)', () => {
    const bad = cleanJob((j) => Object.assign(j.gauge!, { gaugeEmpty: ohm(0), gaugeFull: ohm(90) }));
    expectSnag('gauge-mismatch', cleanJob(), bad, 'stop');
  });
  it('asks for another sender where the gauge spans far more ohms', () => {
    const bad = cleanJob((j) => Object.assign(j.gauge!, { senderEmpty: ohm(90), senderFull: ohm(10) }));
    const snag = expectSnag('gauge-mismatch', cleanJob(), bad, 'fix');
    expect(snag.figure!.si).to.be.greaterThan(0.1);
  });
  it('is content with any sender on a programmable gauge', () => {
    const free = cleanJob((j) =>
      Object.assign(j.gauge!, { kind: 'programmable', senderEmpty: ohm(10), senderFull: ohm(180) }),
    );
    expect(snagsOfRule(free, 'gauge-mismatch')).to.deep.equal([]);
  });
  it('asks to measure again where the arm cannot reach its stops', () => {
    const bad = cleanJob((j) =>
      Object.assign(j.gauge!, { armLength: { si: 0.05, unit: 'mm' }, pivotHeight: { si: 0.12, unit: 'mm' } }),
    );
    expectSnag('gauge-mismatch', cleanJob(), bad, 'fix');
  });
});
