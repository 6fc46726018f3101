import { fuelLiquid } from '@endrel/core/fluids/fuel';
import { vapourPressure } from '@endrel/core/fluids/vapour-pressure';
import { jetBackPressure, jetSuction, type JetKind } from '@endrel/core/hydraulics/jet-pump';
import { STANDARD_GRAVITY } from '@endrel/core/hydraulics/network';
import type { OrificeEdge } from '@endrel/core/hydraulics/orifice';
import { assumptionProperties } from '@endrel/core/job/assumption';
import { litresPerHour, mm } from '@endrel/core/units/quick';
import type { QuantityField } from '@endrel/core/units/field';
import { BadInput } from './bad-input.ts';
import { ATMOSPHERE, fuelOption, temperatureOption } from './fuel-option.ts';
import { jsonText, rounded, type Output } from './output.ts';
import { oneOf, quantityOption } from './parse-options.ts';

type Options = Partial<
  Record<'nozzle' | 'throat' | 'motive' | 'fuel' | 'kind' | 'edge' | 'lift' | 'ethanol' | 'rvp' | 'at', string>
> & { readonly json?: boolean };

const bore = (name: string): QuantityField => ({
  kind: 'length',
  name,
  unit: 'mm',
  minimum: mm(0.1),
  maximum: mm(100),
});
const motive: QuantityField = {
  kind: 'volumeFlow',
  name: 'motive flow',
  unit: 'L/h',
  minimum: 0,
  maximum: litresPerHour(5000),
};
const lift: QuantityField = { kind: 'length', name: 'lift', unit: 'm', minimum: -5, maximum: 20 };

/** `endrel jet --nozzle 3mm --throat 9mm --motive 200L/h`: what a jet holds back and draws, and what limits it. */
export function jetCommand(operands: readonly string[], options: Options, output: Output): number {
  if (operands.length > 0)
    throw new BadInput('jet takes options only: endrel jet --nozzle 3mm --throat 9mm --motive 200L/h');
  const wanted = (key: 'nozzle' | 'throat' | 'motive', field: QuantityField): number => {
    const text = options[key];
    if (text === undefined) throw new BadInput(`--${key} is missing`);
    return quantityOption(key, text, field);
  };
  const nozzle = wanted('nozzle', bore('nozzle'));
  const throat = wanted('throat', bore('throat'));
  if (nozzle >= throat)
    throw new BadInput(
      '--nozzle: the jet is as wide as its throat or wider, and draws nothing; give a throat that is wider',
    );
  const fuel = fuelOption(options);
  const temperature = temperatureOption(options.at);
  const { density } = fuelLiquid(fuel, temperature);
  const reid =
    options.rvp === undefined
      ? assumptionProperties.reidVapourPressure.typical!.si
      : quantityOption('rvp', options.rvp, assumptionProperties.reidVapourPressure.field);
  const jet = {
    nozzle,
    throat,
    kind: oneOf('kind', options.kind ?? 'drilled', ['drilled', 'moulded'] as const) satisfies JetKind,
    edge: oneOf('edge', options.edge ?? 'sharp', ['sharp', 'drilled'] as const) satisfies OrificeEdge,
  };
  const flow = wanted('motive', motive);
  const head =
    density * STANDARD_GRAVITY * (options.lift === undefined ? 0 : quantityOption('lift', options.lift, lift));
  const back = jetBackPressure(jet, flow, density);
  const overVapour = fuel.family === 'diesel' ? undefined : ATMOSPHERE - vapourPressure(fuel, reid, temperature);
  const { flow: suction, limit } = jetSuction(jet, flow, { density, resistance: () => head, overVapour });
  const report = { back_pressure_kPa: rounded(back / 1e3), suction_L_h: rounded(suction / litresPerHour(1)), limit };
  output.out(
    options.json
      ? jsonText(report)
      : `holds back ${report.back_pressure_kPa} kPa, draws ${report.suction_L_h} L/h${{ none: '', cavitation: '; its throat cavitates', air: '; it does not lift the fuel to itself' }[limit]}`,
  );
  return 0;
}
