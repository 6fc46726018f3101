import type { Rule } from '../snag.ts';
import type { SnagReport } from '../snag.ts';
import { placedOf, quoted } from '../reading.ts';
import { assumed } from '../../job/assumption.ts';
import { measured } from '../../job/measured.ts';
import { figure } from '../../units/quantity.ts';
import { mm } from '../../units/quick.ts';

const RETURN_HEIGHT = mm(19); // 3/4 in above the sump floor, common practice
const LEAST_DISTANCE = mm(100); // between return and pickup, common practice

/** A return must end below the surface and away from the pickup. */
export const returnEnd: Rule = {
  key: 'return-end',
  check: ({ job, hanger }) =>
    placedOf(job, 'returnDrop').flatMap(({ component, line, index }) => {
      const reports: SnagReport[] = [];
      const level = (job.survey.tank.depth?.si ?? Infinity) * assumed(job.assumptions, 'fuelLevel');
      const base = { grade: 'fix', stage: 'run', component: component.id, source: 'common practice' } as const;
      if (component.endHeight && component.endHeight.si > level)
        reports.push({
          ...base,
          path: ['run', line, index, 'endHeight'],
          what: `${quoted(component)} ends above the fuel.`,
          figure: { label: 'return end', ...figure('length', component.endHeight.si) },
          limit: { label: 'fuel level reckoned with', ...figure('length', level) },
          why: 'Fuel falling through the vapour space foams and boils off; the pump draws the foam.',
          cure: 'Lengthen the drop to end about 19 mm (3/4 in) above the sump floor.',
          act: { act: 'setOnComponent', id: component.id, key: 'endHeight', value: measured(RETURN_HEIGHT, 'mm') },
          actLabel: 'End it at 19 mm',
        });
      const distance = hanger.back?.distance ?? component.pickupDistance?.si;
      if (distance !== undefined && distance < LEAST_DISTANCE && !job.hanger?.returnIntoBucket)
        reports.push({
          ...base,
          path: ['run', line, index, 'pickupDistance'],
          what: `${quoted(component)} ends beside the pickup.`,
          figure: { label: 'distance', ...figure('length', distance) },
          limit: { label: 'at least', ...figure('length', LEAST_DISTANCE) },
          why: 'The pump draws the warm, bubbly fuel that just came back.',
          cure: 'Move the return’s end to the other side of the sump, or behind a baffle.',
        });
      return reports;
    }),
};
