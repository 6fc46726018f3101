import { mm } from '../../units/quick.ts';
import { choice, count, namesOf, quantity } from '../../job/property.ts';
import { lineTags } from '../../job/line-tag.ts';
import { fittingLoss } from '../../hydraulics/loss-coefficient.ts';
import type { Measured } from '../../job/measured.ts';
import { DRAWN_TUBE_ROUGHNESS, lineMaterials } from '../../ratings/line-material.ts';
import { formatQuantity } from '../../units/format-quantity.ts';
import { definePart, twoEnds } from '../define-part.ts';
import { lowerLine } from '../line-loss.ts';
import { specification } from '../list-line.ts';

export const lineMaterialNames = namesOf(lineMaterials);

const properties = {
  length: quantity('line length', 'length', 'mm', { maximum: 15, likely: [0.05, 8], needed: true, step: 50 }),
  outsideDiameter: quantity('tube outside diameter', 'length', 'mm', {
    minimum: mm(2),
    maximum: mm(40),
    likely: [mm(4.7), mm(20)],
    dash: 'tubeOutsideDiameter',
    needed: true,
  }),
  wall: quantity('wall', 'length', 'mm', { minimum: mm(0.2), maximum: mm(5), likely: [mm(0.5), mm(2)], needed: true }),
  material: choice('material', lineMaterialNames, { needed: true }),
  bends: count('number of 90° bends', 60, 'Each counts as a bend of radius two bores.'),
  tag: choice('tag on it', lineTags),
};

const boreOfTube = ({ outsideDiameter, wall }: { outsideDiameter?: Measured; wall?: Measured }): number | undefined =>
  outsideDiameter && wall ? outsideDiameter.si - 2 * wall.si : undefined;

export const hardLine = definePart('hardLine', 'Hard line', properties, {
  ports: twoEnds,
  blocks: (key) => key !== 'material',
  bore: boreOfTube,
  length: ({ length }) => length?.si ?? 0,
  buys: ({ material, outsideDiameter, wall, length, bends }) =>
    specification(
      material && lineMaterials[material].name,
      outsideDiameter &&
        wall &&
        `${formatQuantity('length', outsideDiameter.si)} × ${formatQuantity('length', wall.si)}`,
      length && `${formatQuantity('length', length.si)} developed`,
      bends !== undefined && `${bends} bends`,
    ),
  cut: { note: 'Nut and sleeve on before the flare. Deburr, blow out.' },
  symbol: () => 'hardLine',
  lower(part, site) {
    const bore = boreOfTube(part)!;
    const bend = fittingLoss('elbow90Bend', bore);
    const bends = part.bends ?? 0;
    return lowerLine(part.id, site, {
      length: part.length!.si,
      bore,
      roughness: DRAWN_TUBE_ROUGHNESS,
      loss: { k1: bend.k1 * bends, kInfinity: bend.kInfinity * bends },
    });
  },
});
