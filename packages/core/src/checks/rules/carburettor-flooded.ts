import { pointKeys } from '../../run/operating-point.ts';
import { settledValue } from '../../parts/value.ts';
import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import { psi } from '../../units/quick.ts';
import { circuits, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';
import { isRegulator } from '../../parts/kinds.ts';

const SAFE_PRESSURE = psi(4); // middle of 3 to 5 psi, common practice

/** A carburettor fed above what its needle and seat can hold floods. */
export const carburettorFlooded: Rule = {
  key: 'carburettor-flooded',
  check: ({ job, solution }) =>
    partsOfKind(job, 'carburettor').flatMap((part) => {
      if (!solution) return [];
      const worst = pointKeys
        .map((key) => solution.points[key])
        .reduce((a, b) => (b.railPressure > a.railPressure ? b : a));
      const limit = settledValue(part, 'needleLimit');
      if (worst.railPressure <= limit) return [];
      const regulator = circuits(job).parts.find(isRegulator);
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          what: `${quoted(part)} is fed above its needle and seat at ${worst.point.name}.`,
          figure: { label: 'at the carburettor', ...figure('pressure', worst.railPressure) },
          limit: { label: 'needle and seat holds', ...figure('pressure', limit) },
          why: 'It floods: raw fuel runs into the engine and out of the vents, onto a hot manifold.',
          cure: regulator
            ? 'Set the regulator to 3 to 5 psi.'
            : 'Put a dead-head regulator set to 3 to 5 psi before the carburettor.',
          act: regulator
            ? { act: 'setOnPart', id: regulator.id, key: 'setPressure', value: measured(SAFE_PRESSURE, 'psi') }
            : undefined,
          actLabel: 'Set it to 4 psi',
          source: 'common practice',
        },
      ];
    }),
};
