import { kPa, psi } from '../../units/quick.ts';
import { quantity } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const carburettor = defineComponent('carburettor', 'Carburettor', {
  needleLimit: quantity('needle and seat floods above', 'pressure', 'psi', {
    maximum: kPa(200),
    typical: { si: psi(6.5), source: 'common practice' },
  }),
  leastPressure: quantity('least inlet pressure', 'pressure', 'psi', {
    maximum: kPa(100),
    typical: { si: psi(3), source: 'common practice' },
  }),
});
