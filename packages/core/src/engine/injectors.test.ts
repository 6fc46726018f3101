import { expect } from 'chai';
import { cleanJob, snagsOfRule } from '../../test/rule-cases.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { bar, poundsPerHour } from '../units/quick.ts';
import { injectorFindings } from './injectors.ts';

const si = (value: number, unit = '') => ({ si: value, unit });
const petrol = { family: 'petrol', ethanol: 0 } as const;
const brief = (size: number, rest: object = {}) => ({
  injectors: 4,
  injectorSize: si(poundsPerHour(size), 'lb/h'),
  ...rest,
});

describe('injectors', () => {
  // Worked by hand: 36 lb/h at 3 bar, 4 of them; 240 hp at 0.5 lb/(hp h) want 120 lb/h, 30 each.
  it('36 lb/h at 3 bar against 30 lb/h each: 83 % at 3 bar, 72 % at 4', () => {
    const at = (drop: number) => injectorFindings(brief(36), petrol, poundsPerHour(120), bar(drop))!;
    expect(at(3).duty).to.be.closeTo(30 / 36, 1e-9);
    expect(at(4).duty).to.be.closeTo(30 / 36 / Math.sqrt(4 / 3), 1e-9);
    expect(at(3).wantedSize / poundsPerHour(1)).to.be.closeTo(30 / 0.85, 1e-9);
    expect(at(3).wantedDrop / bar(3)).to.be.closeTo((30 / 36 / 0.85) ** 2, 1e-4);
  });
  it('4 instead of 3.5 bar gives √(4/3.5): 6.9 % more', () => {
    const { others } = injectorFindings(brief(36), petrol, 0.01, bar(3))!;
    const at = (drop: number) => others.find((o) => Math.abs(o.drop - bar(drop)) < 1)!.each;
    expect(at(4) / at(3.5)).to.be.closeTo(1.069, 5e-4);
  });
  it('bring more mass of a denser fuel, by the root of its density', () => {
    const each = (ethanol: number) => injectorFindings(brief(36), { family: 'petrol', ethanol }, 0.01, bar(3))!.each;
    expect(each(1) / each(0)).to.be.closeTo(Math.sqrt(789 / 745), 1e-9);
  });
  it('are not told of a carburettor, of direct injection, or without their size or number', () => {
    for (const rest of [
      { induction: 'carburettor' },
      { direct: true },
      { injectors: undefined },
      { injectorSize: undefined },
    ])
      expect(injectorFindings(brief(36, rest), petrol, 0.01, bar(3))).to.equal(undefined);
  });
  it('too small are a snag that names the size that would do', () => {
    const job = (size: number) => cleanJob((j) => Object.assign(j.brief, brief(size)));
    const { injectors } = findingsOf(job(20));
    expect(injectors!.drop).to.equal(findingsOf(job(20)).solution!.points.fullLoad.injectorPressure);
    const [snag] = snagsOfRule(job(8), 'injectors-too-small');
    expect(snag!.cure).to.match(/^Injectors of \d+ lb\/h, or [\d.]+ kPa across these\.$/);
    expect(snagsOfRule(job(60), 'injectors-too-small')).to.deep.equal([]);
  });
});
