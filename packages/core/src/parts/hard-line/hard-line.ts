import { mm } from '../../units/quick.ts';
import { choice, count, namesOf, quantity } from '../../fields/property.ts';
import { lineTags } from '../../fields/line-tag.ts';
import type { Measured } from '../../fields/measured.ts';
import { DRAWN_TUBE_ROUGHNESS, lineMaterials } from '../../ratings/line-material.ts';
import { heatProperties, humpProperty, isHeatRelevant } from '../line-place.ts';
import { definePart, twoEnds } from '../define-part.ts';
import { bendLoss, lowerLine } from '../line-loss.ts';
import { sizeOf, specification } from '../list-line.ts';

export const lineMaterialNames = namesOf(lineMaterials);

const properties = {
  length: quantity('line length', 'length', 'mm', {
    tool: 'tape',
    maximum: 15,
    likely: [0.05, 8],
    needed: true,
    step: 50,
  }),
  outsideDiameter: quantity('tube outside diameter', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(2),
    maximum: mm(40),
    likely: [mm(4.7), mm(20)],
    named: 'dashOfTube',
    needed: true,
  }),
  wall: quantity('wall', 'length', 'mm', {
    tool: 'calipers',
    named: 'gaugeOfTube',
    minimum: mm(0.2),
    maximum: mm(5),
    likely: [mm(0.5), mm(2)],
    needed: true,
  }),
  material: choice('material', lineMaterialNames, { needed: true }),
  bends: count('number of 90° bends', 60, 'Each counts as a bend of radius two bores.'),
  ...heatProperties,
  ...humpProperty,
  tag: choice('tag on it', lineTags),
};

const boreOfTube = ({ outsideDiameter, wall }: { outsideDiameter?: Measured; wall?: Measured }): number | undefined =>
  outsideDiameter && wall ? outsideDiameter.si - 2 * wall.si : undefined;

export const hardLine = definePart('hardLine', 'Hard line', properties, {
  ports: twoEnds,
  blocks: (key) => key === 'length' || key === 'outsideDiameter' || key === 'wall',
  isRelevant: isHeatRelevant,
  bore: boreOfTube,
  length: ({ length }) => length?.si ?? 0,
  buys: ({ material, outsideDiameter, wall, length, bends }, say) =>
    specification(
      material && lineMaterials[material].name,
      outsideDiameter && wall && `${sizeOf(outsideDiameter, say)} × ${say('length', wall.si)}`,
      length && `${say.tape(length.si)} developed`,
      bends !== undefined && (Number.isInteger(bends) ? `${bends} bends` : `${Math.round(bends * 90)}° of bends`),
    ),
  cut: () => 'Nut and sleeve on before the flare. Deburr, blow out.',
  symbol: () => 'hardLine',
  lower(part, site) {
    const bore = boreOfTube(part)!;
    return lowerLine(part.id, site, {
      length: part.length!.si,
      bore,
      roughness: DRAWN_TUBE_ROUGHNESS,
      loss: bendLoss(bore, part.bends ?? 0),
      highest: part.highest?.si,
    });
  },
});
