import { expect } from 'chai';
import { referenceRows } from '../../test/read-reference.ts';
import { fittingLoss, sizeChangeLoss, type FittingShape } from './loss-coefficient.ts';

// Reference: Debian python3-fluids 1.0.22 (fluids.fittings), test/reference/README.md, section B.
const shapes: Record<string, FittingShape> = {
  elbow90_threaded_standard: 'elbow90Tight',
  elbow90_threaded_long_radius: 'elbow90Swept',
  elbow90_flanged_long_radius: 'elbow90Bend',
  elbow45_standard: 'elbow45Tight',
  elbow45_long_radius: 'elbow45Swept',
  tee_run_threaded: 'teeRun',
  tee_branch_threaded: 'teeBranch',
};

describe('loss of a fitting', () => {
  for (const [name, shape] of Object.entries(shapes))
    it(`agrees with Darby's 3-K for ${name} at every bore and Reynolds number of the table`, () => {
      const rows = referenceRows('B_fittings/results_fittings.csv').filter((row) => row.fitting === name);
      expect(rows.length).to.be.greaterThan(4);
      for (const row of rows) {
        const { k1, kInfinity } = fittingLoss(shape, Number(row.bore_mm) / 1000);
        expect((k1 / Number(row.Re) + kInfinity) / Number(row.K_darby3k)).to.be.closeTo(1, 1e-5);
      }
    });
  it('agrees with Rennels for every change of bore in the table', () => {
    const rows = referenceRows('B_fittings/results_size_changes.csv');
    expect(rows.length).to.be.greaterThan(10);
    for (const row of rows) {
      const k = sizeChangeLoss(Number(row.bore_upstream_mm) / 1000, Number(row.bore_downstream_mm) / 1000);
      expect(k / Number(row.K_rennels), `${row.kind} ${row.bore_upstream_mm}`).to.be.closeTo(1, 1e-5);
    }
  });
  it('costs nothing where the bore does not change', () => {
    expect(sizeChangeLoss(0.008, 0.008)).to.be.closeTo(0, 1e-12);
  });
  it('is none of a fitting without a bore', () => {
    for (const bore of [0, -0.001, NaN]) expect(() => fittingLoss('elbow90Tight', bore)).to.throw(RangeError, /bore/);
  });
});
