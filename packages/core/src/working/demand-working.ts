import { fuelLiquid, stoichiometricRatio } from '../fluids/fuel.ts';
import { TYPICAL } from '../fields/property.ts';
import type { Findings } from '../reckoning/findings.ts';
import { figure } from '../units/quantity.ts';
import { celsius } from '../units/quick.ts';
import type { Working } from './working.ts';

export function demandWorking({ job, demand, bsfc, fuel }: Findings): Working | undefined {
  if (!demand || !bsfc || !fuel || !job.brief.power) return undefined;
  const blend = fuel.family === 'petrol' && fuel.ethanol > 0;
  return {
    key: 'demand',
    title: 'Fuel demand at full load',
    result: figure('volumeFlow', demand.volumeFlow),
    formula: blend ? 'Q = P · b · (14.7 / AFR) / ρ' : 'Q = P · b / ρ',
    terms: [
      {
        symbol: 'P',
        name: 'engine power',
        figure: figure('power', job.brief.power.si),
        source: 'chosen',
        path: ['brief', 'power'],
      },
      {
        symbol: 'b',
        name: fuel.family === 'diesel' ? 'BSFC of the diesel' : 'BSFC on petrol',
        figure: figure('bsfc', bsfc.si),
        source: bsfc.source,
        path: ['brief', 'bsfc'],
      },
      ...(blend
        ? [
            {
              symbol: 'AFR',
              name: 'stoichiometric ratio of the blend',
              figure: figure('number', stoichiometricRatio(fuel)),
              source: 'computed: 9.0 w + 14.7 (1 − w), w ethanol by mass',
              path: ['brief', 'ethanol'] as const,
            },
            {
              symbol: '14.7/AFR',
              name: 'more fuel by mass',
              figure: figure('number', demand.multiplier),
              source: 'computed',
            },
          ]
        : []),
      {
        symbol: 'ρ',
        name: 'density at 20 °C',
        figure: figure('density', fuelLiquid(fuel, celsius(20)).density),
        source: TYPICAL,
      },
      { symbol: 'ṁ', name: 'mass flow', figure: figure('massFlow', demand.massFlow), source: 'computed' },
    ],
    parts: [],
    remarks:
      bsfc.source === 'common practice'
        ? [
            `BSFC is the top of the usual band for ${fuel.family === 'diesel' ? 'a diesel' : 'the aspiration'}: give your own in the brief if you know it.`,
          ]
        : [],
    source: 'Definition of BSFC; ethanol scaled by mass, common practice',
  };
}
