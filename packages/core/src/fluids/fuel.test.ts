import { expect } from 'chai';
import { referenceRows } from '../../test/read-reference.ts';
import { celsius, psi } from '../units/quick.ts';
import { ethanolMassFraction, fuelLiquid, massMultiplier, stoichiometricRatio, volumeMultiplier } from './fuel.ts';
import { boilingTemperature, petrolVapourPressure } from './vapour-pressure.ts';

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

describe('vapour pressure of petrol', () => {
  for (const row of referenceRows('G_fuel/results_vapour_pressure.csv'))
    it(`at RVP ${row.rvp_psi} psi and ${row.temp_C} °C agrees with the reference`, () => {
      const pressure = petrolVapourPressure(psi(Number(row.rvp_psi)), celsius(Number(row.temp_C)));
      expect(pressure / 1000 / Number(row.tvp_kPa_abs)).to.be.closeTo(1, 5e-5);
    });
  for (const row of referenceRows('G_fuel/results_vapour_pressure.csv'))
    it(`at RVP ${row.rvp_psi} psi it boils at ${row.temp_C} °C under the reference’s pressure`, () => {
      const boils = boilingTemperature(
        { family: 'petrol', ethanol: 0 },
        psi(Number(row.rvp_psi)),
        Number(row.tvp_kPa_abs) * 1000,
      );
      expect(boils).to.be.closeTo(celsius(Number(row.temp_C)), 5e-3);
    });
  it('diesel does not boil in use', () =>
    expect(boilingTemperature({ family: 'diesel' }, psi(9), 101325)).to.equal(undefined));
});
