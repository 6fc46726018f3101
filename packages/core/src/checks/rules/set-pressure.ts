import type { Rule } from '../snag.ts';
import { isPressureSide, placedOf, quoted } from '../reading.ts';
import { figure } from '../../units/quantity.ts';

const CLOSE_ENOUGH = 0.03; // 3 %, as close as a workshop gauge sets it, common practice

/** A regulator set for another pressure than the engine wants. */
export const setPressure: Rule = {
  key: 'set-pressure',
  check: ({ job }) =>
    placedOf(job, 'regulator').flatMap((place) => {
      const { component, line, index } = place;
      const wanted = job.brief.railPressure;
      if (!wanted || !component.setPressure || !isPressureSide(job, place)) return [];
      if (Math.abs(component.setPressure.si - wanted.si) <= CLOSE_ENOUGH * wanted.si) return [];
      const adjustable = component.adjustable === true;
      return [
        {
          grade: 'fix',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'setPressure'],
          what: `${quoted(component)} is not set to the pressure that the engine wants.`,
          figure: { label: 'set', ...figure('pressure', component.setPressure.si) },
          limit: { label: 'wanted', ...figure('pressure', wanted.si) },
          why: 'Injector flow, and the tables in the control unit, are made for one pressure.',
          cure: adjustable
            ? 'Set it with the reference hose off.'
            : 'Fit a regulator of the wanted pressure, or change the pressure in the brief and in the control unit.',
          act: adjustable ? { act: 'setOnComponent', id: component.id, key: 'setPressure', value: wanted } : undefined,
          actLabel: 'Set it to the brief',
          source: 'common practice',
        },
      ];
    }),
};
