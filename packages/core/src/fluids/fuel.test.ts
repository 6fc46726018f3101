import { expect } from 'chai';
import { referenceRows } from '../../test/read-reference.ts';
import { celsius } from '../units/quick.ts';
import { ethanolMassFraction, fuelLiquid, massMultiplier, stoichiometricRatio, volumeMultiplier } from './fuel.ts';

// Reference: test/reference/README.md, section G.
describe('a blend of petrol and ethanol', () => {
  for (const row of referenceRows('G_fuel/results_blends.csv'))
    it(`of ${row.ethanol_vol_percent} % agrees with the reference in density, ratio and multipliers`, () => {
      const share = Number(row.ethanol_vol_percent) / 100;
      const fuel = { family: 'petrol', ethanol: share } as const;
      expect(fuelLiquid(fuel, celsius(20)).density).to.be.closeTo(Number(row.density_kg_m3), 1e-3);
      expect(ethanolMassFraction(share)).to.be.closeTo(Number(row.ethanol_mass_fraction), 1e-5);
      expect(stoichiometricRatio(fuel)).to.be.closeTo(Number(row.afr_stoich), 1e-4);
      expect(massMultiplier(fuel)).to.be.closeTo(Number(row.mass_multiplier), 1e-5);
      expect(volumeMultiplier(fuel)).to.be.closeTo(Number(row.volume_multiplier), 1e-5);
    });
  it('thins and lightens as it warms', () => {
    const [cold, hot] = [20, 50].map((t) => fuelLiquid({ family: 'petrol', ethanol: 0.85 }, celsius(t)));
    expect(hot!.density).to.be.lessThan(cold!.density);
    expect(hot!.viscosity).to.be.lessThan(cold!.viscosity);
  });
});
