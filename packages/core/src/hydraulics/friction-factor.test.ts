import { expect } from 'chai';
import { referenceRows } from '../../test/read-reference.ts';
import { epanetComposite, flowRegime, frictionFactor, frictionWithSlope } from './friction-factor.ts';

// Reference: Debian python3-fluids 1.0.22, see test/reference/README.md, section A.
describe('friction factor', () => {
  for (const row of referenceRows('A_pipe_friction/results.csv')) {
    const name = `${row.fluid} ${row.wall} ${row.bore_mm} mm ${row.flow_L_h} L/h`;
    it(`agrees with the Churchill column and names the regime: ${name}`, () => {
      const reynolds = Number(row.Re);
      const bore = Number(row.bore_mm) / 1000;
      const factor = frictionFactor(reynolds, Number(row.roughness_m) / bore);
      const velocityHead = (Number(row.rho_kg_m3) * Number(row.velocity_m_s) ** 2) / 2;
      expect(factor / Number(row.f_churchill)).to.be.closeTo(1, 1e-5);
      expect((factor * velocityHead) / bore / Number(row.dpdx_churchill_Pa_m)).to.be.closeTo(1, 2e-5);
      expect(flowRegime(reynolds)).to.equal(row.regime);
      const composite = { factor: 0, slope: 0 };
      epanetComposite(reynolds, Number(row.roughness_m) / bore, composite);
      expect(composite.factor / Number(row.f_epanet_composite)).to.be.closeTo(1, 1e-5);
    });
  }
  it('meets the laminar law 64/Re', () => {
    for (const reynolds of [1, 99, 101, 1000])
      expect(frictionFactor(reynolds, 1e-4) * reynolds).to.be.closeTo(64, 0.01);
  });
  it('meets the fully rough limit of the Moody chart: f = 0.0379 at a relative roughness of 0.01', () => {
    // von Karman: 1/sqrt(f) = -2 log10(e/3.7)
    const rough = (-2 * Math.log10(0.01 / 3.7)) ** -2;
    expect(frictionFactor(1e8, 0.01) / rough).to.be.closeTo(1, 0.01);
  });
  it('has the slope that a central difference finds, in every regime', () => {
    for (const reynolds of [50, 500, 1900, 2500, 3500, 6000, 40_000]) {
      const h = reynolds * 1e-5;
      const difference = (frictionFactor(reynolds + h, 1e-3) - frictionFactor(reynolds - h, 1e-3)) / (2 * h);
      expect(frictionWithSlope(reynolds, 1e-3).slope / difference).to.be.closeTo(1, 1e-4);
    }
  });
  it('refuses a Reynolds number that is not positive', () => {
    expect(() => frictionFactor(Number.NaN, 0)).to.throw(RangeError);
    expect(() => frictionFactor(0, 0)).to.throw(RangeError);
  });
  it('is called transition from Re 2000, turbulent from 4000', () => {
    expect([1999.999, 2000, 3999.999, 4000].map(flowRegime)).to.deep.equal([
      'laminar',
      'transition',
      'transition',
      'turbulent',
    ]);
  });
});
