import { fuelLiquid, stoichiometricRatio, volumeMultiplier, type Fuel } from '@endrel/core/fluids/fuel';
import {
  boilingTemperature,
  isVapourExtrapolated,
  petrolReid,
  vapourPressure,
  vapourSource,
} from '@endrel/core/fluids/vapour-pressure';
import { assumptionProperties } from '@endrel/core/job/assumption';
import { briefProperties } from '@endrel/core/job/brief';
import { celsius } from '@endrel/core/units/quick';
import { BadInput } from './bad-input.ts';
import { ATMOSPHERE, temperatureOption } from './fuel-option.ts';
import { jsonText, rounded, type Output } from './output.ts';
import { quantityOption } from './parse-options.ts';

interface Options {
  readonly ethanol?: string;
  readonly rvp?: string;
  readonly 'rvp-of'?: string;
  readonly at?: string;
  readonly json?: boolean;
}

/** The Reid vapour pressure told with `--rvp`, of the petrol or, with `--rvp-of blend`, of what is sold. */
function reidOption({ rvp, 'rvp-of': of = 'petrol' }: Options, fuel: Fuel & { family: 'petrol' }): number {
  if (of !== 'petrol' && of !== 'blend') throw new BadInput('--rvp-of takes petrol or blend');
  if (rvp === undefined) {
    if (fuel.ethanol === 1) return assumptionProperties.reidVapourPressure.typical!.si; // ethanol has its own
    throw new BadInput('--rvp is missing: the Reid vapour pressure of the petrol, such as 60kPa');
  }
  const told = quantityOption('rvp', rvp, assumptionProperties.reidVapourPressure.field);
  const reid = of === 'blend' ? petrolReid(fuel, told) : told;
  if (reid === undefined) throw new BadInput(`--rvp: no petrol makes a blend of ${rvp} with that much ethanol`);
  return reid;
}

/** `endrel fuel --ethanol 85 --rvp 60kPa --at 50C`: what a blend is like at a temperature. */
export function fuelCommand(operands: readonly string[], options: Options, output: Output): number {
  if (operands.length > 0) throw new BadInput('fuel takes options only: endrel fuel --ethanol 85 --rvp 60kPa --at 50C');
  const share = quantityOption('ethanol', options.ethanol ?? '0', briefProperties.ethanol.field);
  const fuel = { family: 'petrol', ethanol: share } as const;
  const reid = reidOption(options, fuel);
  const temperature = temperatureOption(options.at);
  const { density, viscosity } = fuelLiquid(fuel, temperature);
  const vapour = vapourPressure(fuel, reid, temperature);
  const boils = boilingTemperature(fuel, reid, ATMOSPHERE);
  if (options.json)
    output.out(
      jsonText({
        density_kg_m3: rounded(density),
        viscosity_mPa_s: rounded(viscosity * 1e3),
        vapour_kPa: rounded(vapour / 1e3),
        boils_C: boils === undefined ? null : rounded(boils - celsius(0)),
        stoichiometric: rounded(stoichiometricRatio(fuel)),
        volume_multiplier: rounded(volumeMultiplier(fuel)),
      }),
    );
  else
    output.out(
      [
        `${density.toFixed(1)} kg/m³, ${(viscosity * 1e3).toFixed(3)} mPa·s`,
        `vapour pressure ${(vapour / 1e3).toFixed(1)} kPa absolute${isVapourExtrapolated(fuel, temperature) ? ' (extrapolated)' : ''}, by ${vapourSource(fuel)}`,
        `boils at ${(boils! - celsius(0)).toFixed(1)} °C under 101.325 kPa`,
        `air to fuel ${stoichiometricRatio(fuel).toFixed(2)} by mass, ${volumeMultiplier(fuel).toFixed(3)} times the volume of petrol`,
      ].join('\n'),
    );
  return 0;
}
