import { figure } from '../../units/quantity.ts';
import { resultsOf } from '../../run/solve-run.ts';
import { circuits } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

const LEAST = 1 / 3.6e6; // m3/s, 1 L/h: below it a relief valve only weeps

/** A pump that spills through its own relief valve in running: what is behind it does not take its flow. */
export const reliefOpen: Rule = {
  key: 'relief-open',
  check: ({ job, solution }) => {
    if (!solution) return [];
    const worst = resultsOf(solution).reduce((a, b) => (b.reliefFlow > a.reliefFlow ? b : a));
    const pump = circuits(job)
      .feedPumps.map((id) => job.parts[id])
      .find((c) => c?.kind === 'pump' && c.reliefPressure !== undefined);
    if (worst.reliefFlow < LEAST || pump?.kind !== 'pump' || !pump.reliefPressure) return [];
    return [
      {
        grade: 'fix',
        stage: 'run',
        part: pump.id,
        what: `The pump’s relief valve is open at ${worst.point.name}.`,
        figure: { label: 'spills', ...figure('volumeFlow', worst.reliefFlow) },
        limit: { label: 'opens at', ...figure('pressure', pump.reliefPressure.si) },
        why: 'A relief valve is made for the odd blocked line: held open it hammers, heats the fuel and wears out.',
        cure: 'Give the return, or the filter and line before the regulator, a larger bore; or use a smaller pump.',
        source: 'computed; common practice',
      },
    ];
  },
};
