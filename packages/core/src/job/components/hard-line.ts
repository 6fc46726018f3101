import { lineMaterials } from '../../ratings/line-material.ts';
import { mm } from '../../units/quick.ts';
import { choice, count, namesOf, quantity } from '../property.ts';
import { lineTags } from '../line-tag.ts';
import { defineComponent } from './define-component.ts';

export const lineMaterialNames = namesOf(lineMaterials);

export const hardLine = defineComponent('hardLine', 'Hard line', {
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
});
