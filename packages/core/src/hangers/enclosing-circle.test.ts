import { expect } from 'chai';
import fc from 'fast-check';
import { referenceRows } from '../../test/read-reference.ts';
import { enclosingCircle } from './enclosing-circle.ts';

// Reference: 60 random starts (scipy) and closed forms, test/reference/README.md, section E; 7 digits.
describe('the smallest hole for circles side by side', () => {
  for (const row of referenceRows('E_geometry/results_circles.csv'))
    it(`${row.diameters_mm} mm`, () => {
      const diameters = row.diameters_mm!.split(' ').map((d) => Number(d) / 1000);
      const exact = Number(row.enclosing_diameter_mm_closed_form || row.enclosing_diameter_mm_numeric);
      expect(enclosingCircle(diameters).diameter * 1000).to.be.closeTo(exact, 2e-5);
    });
  it('three 1.5 in bodies need 3.232 in, a hair over a 3.19 in opening (common practice)', () => {
    expect(enclosingCircle([1.5, 1.5, 1.5]).diameter).to.be.closeTo(3.232, 5e-4);
  });
  it('holds every circle, lets none overlap, and is never larger than a ring or a row of them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.01, max: 0.06, noNaN: true }), { minLength: 1, maxLength: 4 }),
        (diameters) => {
          const { diameter, circles } = enclosingCircle(diameters);
          circles.forEach((c, i) => {
            expect(c.radius).to.equal(diameters[i]! / 2);
            expect(Math.hypot(c.x, c.y) + c.radius).to.be.at.most(diameter / 2 + 1e-9);
            for (const other of circles.slice(i + 1))
              expect(Math.hypot(c.x - other.x, c.y - other.y)).to.be.at.least(c.radius + other.radius - 1e-9);
          });
          expect(diameter).to.be.at.most(diameters.reduce((sum, d) => sum + d, 0) + 1e-9);
          expect(diameter).to.be.at.least(Math.max(...diameters) - 1e-12);
        },
      ),
      { seed: 41, numRuns: 60 },
    );
  });
  it('takes a sleeve into account by its outside diameter only', () => {
    expect(() => enclosingCircle([])).to.throw(RangeError);
    expect(() => enclosingCircle([0.04, Number.NaN])).to.throw(RangeError);
  });
});
