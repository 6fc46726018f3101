import { assumed } from '../../job/assumption.ts';
import { measured } from '../../fields/measured.ts';
import { figure } from '../../units/quantity.ts';
import { words } from '../../units/words.ts';
import { mm } from '../../units/quick.ts';
import { partsOfKind, quoted } from '../../reckoning/reading.ts';
import type { Rule, SnagReport } from '../snag.ts';

const RETURN_HEIGHT = mm(19); // 3/4 in above the sump floor, common practice
const LEAST_DISTANCE = mm(100); // between return and pickup, common practice

/** A return must end below the surface and away from the pickup. */
export const returnEnd: Rule = {
  key: 'return-end',
  check: ({ job, hanger }) =>
    partsOfKind(job, 'returnDrop').flatMap((part) => {
      const reports: SnagReport[] = [];
      const level = (job.survey.tank.depth?.si ?? Infinity) * assumed(job.assumptions, 'fuelLevel');
      const floor = hanger.stand?.floor ?? 0;
      const base = { grade: 'fix', stage: 'run', part: part.id, source: 'common practice' } as const;
      if (part.endHeight && part.endHeight.si > level)
        reports.push({
          ...base,
          path: ['parts', part.id, 'endHeight'],
          what: `${quoted(part)} ends above the fuel.`,
          figure: { label: 'return end', ...figure('length', part.endHeight.si) },
          limit: { label: 'fuel level reckoned with', ...figure('length', level) },
          why: 'Fuel falling through the vapour space foams and boils off; the pump draws the foam.',
          cure: words`Lengthen the drop to end about ${figure('length', RETURN_HEIGHT)} above the ${floor < 0 ? 'sump’s' : 'tank’s'} floor.`,
          act: { act: 'setOnPart', id: part.id, key: 'endHeight', value: measured(floor + RETURN_HEIGHT, 'mm') },
          actLabel: words`End it ${figure('length', RETURN_HEIGHT)} over the ${floor < 0 ? 'sump’s' : 'tank’s'} floor`,
        });
      const distance = hanger.back?.distance ?? part.pickupDistance?.si;
      if (distance !== undefined && distance < LEAST_DISTANCE && !job.hanger?.returnIntoBucket)
        reports.push({
          ...base,
          path: ['parts', part.id, 'pickupDistance'],
          which: 'besidePickup',
          what: `${quoted(part)} ends beside the pickup.`,
          figure: { label: 'distance', ...figure('length', distance) },
          limit: { label: 'at least', ...figure('length', LEAST_DISTANCE) },
          why: 'The pump draws the warm, bubbly fuel that just came back.',
          cure: 'Move the return’s end to the other side of the sump, or behind a baffle.',
        });
      return reports;
    }),
};
