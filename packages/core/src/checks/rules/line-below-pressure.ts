import { barlowPressure, lineMaterials } from '../../ratings/line-material.ts';
import { figure } from '../../units/quantity.ts';
import { partsOfKind, quoted, worstPressure } from '../../reckoning/reading.ts';
import type { Rule } from '../snag.ts';

/** Hard line whose working pressure by Barlow's formula is below the worst pressure at its place. */
export const lineBelowPressure: Rule = {
  key: 'line-below-pressure',
  check: (findings) =>
    partsOfKind(findings.job, 'hardLine').flatMap((part) => {
      const worst = worstPressure(findings, part.id);
      if (!part.material || !part.wall || !part.outsideDiameter || worst === undefined) return [];
      const rated = barlowPressure(lineMaterials[part.material].strength, part.wall.si, part.outsideDiameter.si);
      if (rated >= worst) return [];
      return [
        {
          grade: 'stop',
          stage: 'run',
          part: part.id,
          path: ['parts', part.id, 'wall'],
          what: `${quoted(part)} is too thin for the pressure it can see.`,
          figure: { label: 'worst pressure here', ...figure('pressure', worst) },
          limit: { label: 'working pressure by Barlow, safety factor 4', ...figure('pressure', rated) },
          why: 'It bursts where it was bent, chafed or corroded.',
          cure: 'Use a thicker wall or a stronger material.',
          source: 'Barlow; strength typical, verify against the tube’s data sheet',
        },
      ];
    }),
};
