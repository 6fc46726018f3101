import type { Rule } from '../snag.ts';
import { placedOf, quoted, worstPressure } from '../reading.ts';
import { barlowPressure, lineMaterials } from '../../ratings/line-material.ts';
import { figure } from '../../units/quantity.ts';

/** Hard line whose working pressure by Barlow's formula is below the worst pressure at its place. */
export const lineBelowPressure: Rule = {
  key: 'line-below-pressure',
  check: (findings) =>
    placedOf(findings.job, 'hardLine').flatMap((place) => {
      const { component, line, index } = place;
      const worst = worstPressure(findings, place);
      if (!component.material || !component.wall || !component.outsideDiameter || worst === undefined) return [];
      const rated = barlowPressure(
        lineMaterials[component.material].strength,
        component.wall.si,
        component.outsideDiameter.si,
      );
      if (rated >= worst) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          component: component.id,
          path: ['run', line, index, 'wall'],
          what: `${quoted(component)} is too thin for the pressure it can see.`,
          figure: { label: 'worst pressure here', ...figure('pressure', worst) },
          limit: { label: 'working pressure by Barlow, safety factor 4', ...figure('pressure', rated) },
          why: 'It bursts where it was bent, chafed or corroded.',
          cure: 'Use a thicker wall or a stronger material.',
          source: 'Barlow; strength typical, verify against the tube’s data sheet',
        },
      ];
    }),
};
