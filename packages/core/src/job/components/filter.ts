import { kPa, litresPerHour, micrometres } from '../../units/quick.ts';
import { flag, quantity, TYPICAL } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const filter = defineComponent('filter', 'Filter', {
  rating: quantity('filter rating', 'length', 'µm', {
    minimum: micrometres(0.5),
    maximum: 2e-3,
    likely: [micrometres(3), micrometres(200)],
    needed: true,
  }),
  ratedFlow: quantity('rated flow', 'volumeFlow', 'L/h', {
    minimum: litresPerHour(1),
    typical: { si: litresPerHour(200), source: TYPICAL },
  }),
  ratedDrop: quantity('drop at rated flow, new', 'pressure', 'kPa', {
    maximum: kPa(500),
    typical: { si: kPa(5), source: TYPICAL },
  }),
  dirt: quantity('dirt factor', 'number', '', {
    minimum: 1,
    maximum: 20,
    likely: [1, 4],
    typical: { si: 1, source: 'common practice' },
    hint: '1 new, 4 change me.',
  }),
  maximumPressure: quantity('maximum pressure', 'pressure', 'kPa', { maximum: 1e7, hint: 'Printed on the body.' }),
  reversed: flag('arrow points against the flow'),
});
