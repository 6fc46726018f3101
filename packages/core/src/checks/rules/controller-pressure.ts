import { figure } from '../../units/quantity.ts';
import { wordsFor } from '../engine-words.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

const CLOSE_ENOUGH = 0.03; // 3 %, as close as a workshop gauge sets a regulator, common practice

/** A pump controller that holds another pressure than the engine wants. */
export const controllerPressure: Rule = {
  key: 'controller-pressure',
  check: ({ job }) =>
    partsOfKind(job, 'pump').flatMap((part) => {
      const wanted = job.brief.railPressure;
      if (part.drive !== 'pwm' || !part.targetPressure || !wanted) return [];
      const over = part.targetPressure.si / wanted.si - 1;
      if (Math.abs(over) <= CLOSE_ENOUGH) return [];
      return [
        {
          grade: 'fix',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'targetPressure'],
          what: `The controller of ${quoted(part)} holds ${over > 0 ? 'more' : 'less'} than the engine wants.`,
          figure: { label: 'held', ...figure('pressure', part.targetPressure.si) },
          limit: { label: 'wanted', ...figure('pressure', wanted.si) },
          why: wordsFor(job, {
            injection: 'Injector flow, and the tables in the control unit, are made for one pressure.',
            direct: 'The engine’s own high-pressure pump is pressed open, or draws vapour.',
            carburettor: 'Needle and seat are made for one pressure.',
          }),
          cure: 'Programme the controller to what the engine wants, or correct the brief.',
          act: { act: 'setOnPart', id: part.id, key: 'targetPressure', value: wanted },
          actLabel: 'Hold what the brief wants',
          source: 'common practice',
        },
      ];
    }),
};
