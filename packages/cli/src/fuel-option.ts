import type { Fuel } from '@endrel/core/fluids/fuel';
import { assumptionProperties } from '@endrel/core/job/assumption';
import { briefProperties } from '@endrel/core/job/brief';
import { celsius } from '@endrel/core/units/quick';
import { BadInput } from './bad-input.ts';
import { quantityOption } from './parse-options.ts';

export const ATMOSPHERE = 101_325; // Pa, ISO 2533

/** `--at 50C`, K; 20 °C unsaid. @throws BadInput */
export const temperatureOption = (at: string | undefined): number =>
  at === undefined ? celsius(20) : quantityOption('at', at, assumptionProperties.fuelTemperature.field);

/** `--fuel petrol`, `--fuel E85`, `--fuel ethanol`, `--fuel diesel`, or petrol with `--ethanol 10`. @throws BadInput */
export function fuelOption({ fuel = 'petrol', ethanol }: { readonly fuel?: string; readonly ethanol?: string }): Fuel {
  if (fuel === 'diesel') return { family: 'diesel' };
  const blend = /^e\s*\d/i.test(fuel) ? fuel : ethanol;
  if (fuel !== 'petrol' && fuel !== 'ethanol' && blend === undefined)
    throw new BadInput(`--fuel: “${fuel}” is not petrol, diesel, ethanol or a blend such as E85`);
  if (fuel === 'ethanol') return { family: 'petrol', ethanol: 1 };
  return {
    family: 'petrol',
    ethanol: blend === undefined ? 0 : quantityOption('ethanol', blend, briefProperties.ethanol.field),
  };
}
