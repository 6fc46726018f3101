import { hoseConstructions } from '../../ratings/hose-construction.ts';
import { mm } from '../../units/quick.ts';
import { choice, flag, namesOf, quantity } from '../property.ts';
import { lineTags } from '../line-tag.ts';
import { defineComponent } from './define-component.ts';

export const hose = defineComponent('hose', 'Hose', {
  length: quantity('hose length', 'length', 'mm', { maximum: 15, likely: [0.03, 6], needed: true, step: 10 }),
  bore: quantity('hose bore', 'length', 'mm', {
    minimum: mm(0.5),
    maximum: mm(60),
    likely: [mm(4), mm(20)],
    dash: 'hoseBore',
    needed: true,
    hint: 'Inside diameter of the hose itself, with calipers at a clean cut; a dash size gives a typical bore.',
  }),
  construction: choice('construction', namesOf(hoseConstructions), { needed: true, hint: 'Printed along the hose.' }),
  immersed: flag('lies inside the tank'),
  clamp: choice('held by', {
    band: 'band clamp (injection type)',
    worm: 'worm-drive clamp',
    hoseEnds: 'hose ends',
    crimped: 'crimped sleeves',
    none: 'push-on barbs, no clamp',
  }),
  tag: choice('tag on it', lineTags),
});
