import { mm } from '../../units/quick.ts';
import { quantity } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const returnDrop = defineComponent('returnDrop', 'Return drop', {
  endHeight: quantity('end above the tank floor', 'length', 'mm', {
    maximum: 2,
    likely: [mm(5), mm(150)],
    hint: 'Common practice: about 19 mm (3/4 in) above the sump floor.',
  }),
  pickupDistance: quantity('distance to the pickup', 'length', 'mm', { maximum: 3 }),
  bore: quantity('tube bore', 'length', 'mm', { minimum: mm(0.5), maximum: mm(60), needed: true }),
  length: quantity('tube length', 'length', 'mm', { maximum: 3, needed: true }),
});
