import { figure } from '../../units/quantity.ts';
import { wordsFor } from '../engine-words.ts';
import { circuits, partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

const CLOSE_ENOUGH = 0.03; // 3 %, as close as a workshop gauge sets it, common practice

/** A regulator set for another pressure than the engine wants. */
export const setPressure: Rule = {
  key: 'set-pressure',
  check: ({ job }) =>
    partsOfKind(job, 'regulator', 'filterRegulator').flatMap((part) => {
      const wanted = job.brief.railPressure;
      if (!wanted || !part.setPressure || !circuits(job).isOnPressure(part.id)) return [];
      if (Math.abs(part.setPressure.si - wanted.si) <= CLOSE_ENOUGH * wanted.si) return [];
      const adjustable = part.adjustable === true;
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'setPressure'],
          what: `${quoted(part)} is not set to the pressure that the engine wants.`,
          figure: { label: 'set', ...figure('pressure', part.setPressure.si) },
          limit: { label: 'wanted', ...figure('pressure', wanted.si) },
          why: wordsFor(job, {
            injection: 'Injector flow, and the tables in the control unit, are made for one pressure.',
            direct: 'The engine’s own high-pressure pump is fed too little and draws vapour, or is pressed open.',
            carburettor: 'Needle and seat are made for one pressure: above it they flood, below it the bowl runs low.',
          }),
          cure: adjustable
            ? 'Set it with the reference hose off.'
            : `Fit a regulator of the wanted pressure, or change the pressure in the brief${job.brief.induction === 'carburettor' ? '' : ' and in the control unit'}.`,
          act: adjustable ? { act: 'setOnPart', id: part.id, key: 'setPressure', value: wanted } : undefined,
          actLabel: 'Set it to the brief',
          source: 'common practice',
        },
      ];
    }),
};
