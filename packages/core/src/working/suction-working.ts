import { isVapourExtrapolated, vapourPressure, vapourSource } from '../fluids/vapour-pressure.ts';
import { fuelLiquid } from '../fluids/fuel.ts';
import { STANDARD_GRAVITY } from '../hydraulics/network.ts';
import { assumed, originOfAssumed } from '../job/assumption.ts';
import type { Findings } from '../reckoning/findings.ts';
import { petrolReidOf } from '../run/petrol-reid.ts';
import { sayWorst } from '../run/worst-suction.ts';
import { originOf } from '../run/operating-point.ts';
import { figure } from '../units/quantity.ts';
import type { Working } from './working.ts';
import { partName } from '../parts/kinds.ts';

/** Key of the worst of all points and extremes. */
export const WORST = 'worst';

/** Head in hand before the fuel boils at the pump that has least of it, at a point. */
export function suctionWorking({ job, solution, fuel }: Findings, key: string): Working | undefined {
  const worst = key === WORST ? solution?.worstSuction : undefined;
  const result = worst?.result ?? solution?.points[key];
  if (!result || !fuel) return undefined;
  const pump = job.parts[result.suctionPump]!;
  const inlet = result.parts.find((c) => c.id === result.suctionPump)!.inletPressure;
  const atmosphere = assumed(job.assumptions, 'atmosphere');
  const reid = petrolReidOf(job, fuel);
  const vapour = vapourPressure(fuel, reid, result.point.temperature);
  const { density } = fuelLiquid(fuel, result.point.temperature);
  const head = (pressure: number) => figure('head', pressure / (density * STANDARD_GRAVITY));
  return {
    key: `suction:${key}`,
    title: worst ? 'Suction margin, worst' : `Suction margin at ${result.point.name}`,
    result: figure('head', result.suctionMargin),
    formula: 'h = (p_atm + p_in − p_v) / (ρ·g)',
    terms: [
      {
        symbol: 'p_atm',
        name: 'atmosphere, absolute',
        figure: figure('pressure', atmosphere),
        ...originOfAssumed(job.assumptions, 'atmosphere'),
      },
      {
        symbol: 'p_in',
        name: `at the inlet of ${partName(pump)}, gauge`,
        figure: figure('pressure', inlet),
        source: 'computed: level and losses up to it',
      },
      {
        symbol: 'p_v',
        name: 'vapour pressure of the fuel',
        figure: figure('pressure', vapour),
        source: vapourSource(fuel),
        path: ['assumptions', 'reidVapourPressure'],
      },
      {
        symbol: 'T',
        name: 'fuel temperature',
        figure: figure('temperature', result.point.temperature),
        ...(worst ? originOfAssumed(job.assumptions, 'hotFuelTemperature') : originOf(job, key, 'temperature')),
      },
      { symbol: 'ρ', name: 'density of the fuel', figure: figure('density', density), source: 'typical, from memory' },
    ],
    parts: [
      { name: 'the atmosphere', figure: head(atmosphere) },
      { name: 'level, less suction losses', part: pump.id, figure: head(inlet) },
      { name: 'vapour pressure', figure: head(-vapour) },
    ],
    remarks: [
      ...(worst ? [`At ${sayWorst(worst)}: the worst of all points and extremes.`] : []),
      ...(result.choked.length > 0
        ? ['The pump is choked: it passes only what keeps its fuel from boiling before it.']
        : []),
      ...(isVapourExtrapolated(fuel, result.point.temperature)
        ? ['The vapour pressure at this temperature is extrapolated: its correlation was drawn for 0 to 60 °C.']
        : []),
      'An ordinary pump wants 1 m in hand (common practice); its data sheet may ask for more.',
    ],
    source: 'net positive suction head; limit common practice',
  };
}
