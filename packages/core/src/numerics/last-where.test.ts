import { expect } from 'chai';
import fc from 'fast-check';
import { lastWhere } from './last-where.ts';

describe('the last place where a condition holds', () => {
  it('is found to the last digits, wherever it lies', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e3, max: 1e3, noNaN: true }), (edge) => {
        expect(lastWhere(-1e3, 1e3, (x) => x <= edge)).to.be.closeTo(edge, 1e-12 * 2e3);
      }),
    );
  });
  it('is within the tolerance asked for, and asks no more often than that takes', () => {
    let asked = 0;
    const found = lastWhere(0, 1, (x) => (asked++, x * x <= 2 / 4), 1e-3);
    expect(found).to.be.within(Math.SQRT1_2 - 1e-3, Math.SQRT1_2);
    expect(asked).to.equal(10);
  });
  it('stays at an end where the condition never or always holds', () => {
    expect(lastWhere(2, 3, () => false)).to.equal(2);
    expect(lastWhere(2, 3, () => true)).to.be.closeTo(3, 1e-15);
  });
});
