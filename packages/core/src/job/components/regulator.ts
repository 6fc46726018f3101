import { bar, kPa, litresPerHour, micrometres, mm } from '../../units/quick.ts';
import { choice, flag, quantity, TYPICAL } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const regulator = defineComponent('regulator', 'Regulator', {
  action: choice(
    'works by',
    { bypass: 'bypass: spills to the return', deadHead: 'dead-head: blocks the supply' },
    { needed: true },
  ),
  setPressure: quantity('set pressure', 'pressure', 'bar', {
    maximum: bar(15),
    likely: [kPa(10), bar(7)],
    needed: true,
  }),
  adjustable: flag('set pressure can be adjusted'),
  referenced: flag('reference hose joins the manifold'),
  builtInRating: quantity('filter inside, rating', 'length', 'µm', {
    minimum: micrometres(0.5),
    maximum: 2e-3,
    likely: [micrometres(3), micrometres(100)],
    hint: 'Only for a combined filter and regulator; leave empty for a plain one.',
  }),
  builtInFlow: quantity('filter inside, rated flow', 'volumeFlow', 'L/h', {
    minimum: litresPerHour(1),
    typical: { si: litresPerHour(200), source: TYPICAL },
  }),
  builtInDrop: quantity('filter inside, drop at rated flow', 'pressure', 'kPa', {
    maximum: kPa(500),
    typical: { si: kPa(8), source: TYPICAL },
  }),
  slope: quantity('rise per 100 L/h', 'pressure', 'kPa', {
    maximum: kPa(200),
    typical: { si: kPa(3), source: TYPICAL },
  }),
  seatBore: quantity('seat bore, wide open', 'length', 'mm', {
    minimum: mm(0.5),
    maximum: mm(30),
    typical: { si: mm(5.5), source: TYPICAL },
  }),
  seatLoss: quantity('seat loss K, wide open', 'number', '', {
    minimum: 0.5,
    maximum: 200,
    typical: { si: 6, source: TYPICAL },
  }),
});
