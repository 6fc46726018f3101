import { kPa, mm } from '../../units/quick.ts';
import { flag, quantity, TYPICAL } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const checkValve = defineComponent('checkValve', 'Check valve', {
  cracking: quantity('cracking pressure', 'pressure', 'kPa', {
    maximum: kPa(200),
    typical: { si: kPa(3), source: TYPICAL },
  }),
  bore: quantity('bore', 'length', 'mm', { minimum: mm(0.5), maximum: mm(60), needed: true }),
  reversed: flag('arrow points against the flow'),
});
