import type { Rule } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';
import { pointKeys } from '../../run/operating-point.ts';
import { settledValue } from '../../job/value.ts';
import { measured } from '../../job/measured.ts';
import { figure } from '../../units/quantity.ts';
import { psi } from '../../units/quick.ts';

const SAFE_PRESSURE = psi(4); // middle of 3 to 5 psi, common practice

/** A carburettor fed above what its needle and seat can hold floods. */
export const carburettorFlooded: Rule = {
  key: 'carburettor-flooded',
  check: ({ job, solution }) =>
    placedOf(job, 'carburettor').flatMap(({ component }) => {
      if (!solution) return [];
      const worst = pointKeys
        .map((key) => solution.points[key])
        .reduce((a, b) => (b.railPressure > a.railPressure ? b : a));
      const limit = settledValue(component, 'needleLimit');
      if (worst.railPressure <= limit) return [];
      const regulator = job.run.supply.find((c) => c.kind === 'regulator');
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          what: `${quoted(component)} is fed above its needle and seat at ${worst.point.name}.`,
          figure: { label: 'at the carburettor', ...figure('pressure', worst.railPressure) },
          limit: { label: 'needle and seat holds', ...figure('pressure', limit) },
          why: 'It floods: raw fuel runs into the engine and out of the vents, onto a hot manifold.',
          cure: regulator
            ? 'Set the regulator to 3 to 5 psi.'
            : 'Put a dead-head regulator set to 3 to 5 psi before the carburettor.',
          act: regulator
            ? { act: 'setOnComponent', id: regulator.id, key: 'setPressure', value: measured(SAFE_PRESSURE, 'psi') }
            : undefined,
          actLabel: 'Set it to 4 psi',
          source: 'common practice',
        },
      ];
    }),
};
