import { expect } from 'chai';
import { exactSixtyFourths, fractionText, tapeText } from './inch-fraction.ts';
import { figure } from './quantity.ts';
import { bareUnit, sayIn } from './unit-system.ts';

describe('a system of units', () => {
  const cases: [Parameters<typeof bareUnit>[0], string, string][] = [
    [{ kind: 'length', name: 'tank depth', unit: 'mm' }, 'mm', 'in'],
    [{ kind: 'length', name: 'wire length', unit: 'm' }, 'm', 'ft'],
    [{ kind: 'length', name: 'mesh', unit: 'µm' }, 'µm', 'µm'],
    [{ kind: 'pressure', name: 'spring', unit: 'psi' }, 'kPa', 'psi'],
    [{ kind: 'pressure', name: 'rail', unit: 'kPa' }, 'kPa', 'psi'],
    [{ kind: 'bsfc', name: 'BSFC', unit: 'lb/(hp·h)' }, 'g/kWh', 'lb/(hp·h)'],
    [{ kind: 'current', name: 'fuse', unit: 'A' }, 'A', 'A'],
  ];
  for (const [field, metric, imperial] of cases)
    it(`reads a bare ${field.name} in ${metric} or ${imperial}`, () =>
      expect([bareUnit(field, 'metric'), bareUnit(field, 'imperial')]).to.deep.equal([metric, imperial]));
  it('says a length on a tape as a fraction for inch people, and a bore in decimals', () => {
    const [metric, imperial] = [sayIn('metric'), sayIn('imperial')];
    expect([metric.tape(0.2301875), imperial.tape(0.2301875)]).to.deep.equal(['230.2 mm', '9 1/16 in']);
    expect(imperial('length', 0.0087)).to.equal('0.343 in');
    expect(imperial.figure({ ...figure('length', 0.05), tool: 'tape' })).to.equal('1 31/32 in');
    expect(imperial.figure(figure('length', 0.05))).to.equal('1.969 in');
  });
});

describe('inches on a tape', () => {
  for (const [inches, text] of [
    [9.0625, '9 1/16'],
    [10, '10'],
    [0, '0'],
    [0.375, '3/8'],
    [-1.5, '−1 1/2'],
    [2.34375, '2 11/32'], // a rule has thirty-seconds
    [5.95, '5 15/16'],
    [9.04, '9 1/16'], // a tape has sixteenths
    [47.999, '48'],
    [9.046875, '9 3/64'], // what was measured so is said so
  ] as const)
    it(`${inches} in are ${text}`, () => expect(tapeText(inches)).to.equal(text));
  it('takes a sixty-fourth for one only where it is', () => {
    expect(exactSixtyFourths(0.5)).to.equal(32);
    expect(exactSixtyFourths(0.501)).to.equal(undefined);
    expect(fractionText(65)).to.equal('1 1/64');
  });
});
