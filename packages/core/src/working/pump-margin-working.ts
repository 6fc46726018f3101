import type { Findings } from '../reckoning/findings.ts';
import { originOf, pointNames } from '../run/operating-point.ts';
import { figure } from '../units/quantity.ts';
import type { Working } from './working.ts';

export function pumpMarginWorking({ job, solution }: Findings): Working | undefined {
  const margin = solution?.margin;
  if (!margin) return undefined;
  const { point } = solution.points[margin.point];
  return {
    key: 'pumpMargin',
    title: 'Pump margin',
    result: figure('fraction', margin.margin),
    formula: 'margin = Qₐ / Qₑ − 1',
    terms: [
      {
        symbol: 'Qₐ',
        name: 'the run can deliver at the held pressure',
        figure: figure('volumeFlow', margin.available),
        source: 'computed',
      },
      { symbol: 'Qₑ', name: 'full-load demand', figure: figure('volumeFlow', margin.needed), source: 'computed' },
      {
        symbol: 'p',
        name: 'pressure held at the rail',
        figure: figure('pressure', margin.heldPressure),
        source: '95 % of the wanted pressure, common practice',
      },
      {
        symbol: 'U',
        name: 'system voltage there',
        figure: figure('voltage', point.voltage),
        ...originOf(job, margin.point, 'voltage'),
      },
      {
        symbol: 'T',
        name: 'fuel temperature there',
        figure: figure('temperature', point.temperature),
        ...originOf(job, margin.point, 'temperature'),
      },
    ],
    parts: [],
    remarks: [
      `Reckoned at ${pointNames[margin.point]}. The network is solved once with the rail held at p, and what flows into it is Qₐ.`,
      ...(solution.extrapolated
        ? ['The pump’s tables do not reach this voltage: it was reckoned as its kind goes with speed (extrapolated).']
        : []),
    ],
    source: 'computed; 15 % wanted, common practice',
  };
}
