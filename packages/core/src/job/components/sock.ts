import { kPa, litresPerHour, micrometres } from '../../units/quick.ts';
import { quantity, TYPICAL } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const sock = defineComponent('sock', 'Sock', {
  rating: quantity('strainer rating', 'length', 'µm', {
    maximum: 2e-3,
    likely: [micrometres(20), micrometres(300)],
    typical: { si: micrometres(70), source: TYPICAL },
  }),
  ratedFlow: quantity('rated flow', 'volumeFlow', 'L/h', {
    minimum: litresPerHour(1),
    typical: { si: litresPerHour(250), source: TYPICAL },
  }),
  ratedDrop: quantity('drop at rated flow', 'pressure', 'kPa', {
    maximum: kPa(50),
    typical: { si: kPa(0.7), source: TYPICAL },
  }),
});
