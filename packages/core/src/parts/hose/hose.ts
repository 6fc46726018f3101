import { mm } from '../../units/quick.ts';
import { choice, count, flag, namesOf, quantity } from '../../fields/property.ts';
import { lineTags } from '../../fields/line-tag.ts';
import { hoseConstruction, hoseConstructions } from '../../ratings/hose-construction.ts';
import { heatProperties, humpProperty, isHeatRelevant } from '../line-place.ts';
import { definePart, twoEnds } from '../define-part.ts';
import { bendLoss, lowerLine } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';

/** m of hose more at each end the first time, for a second cut; common practice. */
export const FIRST_TIME_SPARE = mm(150);

const properties = {
  length: quantity('hose length', 'length', 'mm', {
    tool: 'tape',
    maximum: 15,
    likely: [0.03, 6],
    needed: true,
    step: 10,
  }),
  bore: quantity('hose bore', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(0.5),
    maximum: mm(60),
    likely: [mm(4), mm(20)],
    named: 'dashOfHose',
    needed: true,
    hint: 'Inside diameter of the hose itself, with calipers at a clean cut; a dash size gives a typical bore.',
  }),
  construction: choice('construction', namesOf(hoseConstructions), { needed: true, hint: 'Printed along the hose.' }),
  immersed: flag('lies inside the tank'),
  bend: quantity('tightest bend, inside radius', 'length', 'mm', {
    tool: 'tape',
    maximum: 2,
    likely: [mm(10), 0.5],
    hint: 'As it lies, where it turns tightest; unknown until the route is laid.',
  }),
  bends: count('90° bends in its ends', 8, 'Each counts as a bend of radius two bores.'),
  years: count('years since it was made', 60, 'Quarter and year are printed along it.'),
  ...heatProperties,
  ...humpProperty,
  tag: choice('tag on it', lineTags),
};

export const hose = definePart('hose', 'Hose', properties, {
  ports: twoEnds,
  blocks: (key) => key === 'length' || key === 'bore',
  isRelevant: isHeatRelevant,
  bore: ({ bore }) => bore?.si,
  length: ({ length }) => length?.si ?? 0,
  isInTank: ({ immersed }) => immersed === true,
  buys: ({ construction, bore, length }, say) =>
    specification(
      construction && hoseConstruction(construction).name,
      bore && `bore ${sizeOf(bore, say)}`,
      length && `cut ${say.tape(length.si)}`,
    ),
  cut: (say) => `Cut square, blow out. First time: ${say.tape(FIRST_TIME_SPARE)} spare per end.`,
  symbol: () => 'hose',
  isFlexible: true,
  lower: ({ id, length, bore, construction, bends = 0, highest }, site) =>
    lowerLine(id, site, {
      length: length!.si,
      bore: bore!.si,
      roughness: hoseConstruction(construction ?? 'r9').roughness,
      loss: bendLoss(bore!.si, bends),
      highest: highest?.si,
    }),
});
