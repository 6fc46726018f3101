import { litresPerHour, mm } from '../../units/quick.ts';
import { quantity, TYPICAL } from '../property.ts';
import { defineComponent } from './define-component.ts';

/** A small pot that the lift pump keeps full: the high-pressure pump draws from it while the tank's pickup is dry. */
export const swirlPot = defineComponent('swirlPot', 'Swirl pot', {
  volume: quantity('pot volume', 'volume', 'L', { minimum: 5e-5, maximum: 0.02, likely: [3e-4, 5e-3], needed: true }),
  baseHeight: quantity('height of its floor', 'length', 'mm', {
    minimum: -2,
    maximum: 3,
    needed: true,
    hint: 'Above the tank floor; negative below it.',
  }),
  potHeight: quantity('height of the pot itself', 'length', 'mm', {
    minimum: mm(30),
    maximum: 1,
    typical: { si: mm(200), source: TYPICAL },
  }),
  overflowBore: quantity('bore of the overflow', 'length', 'mm', {
    minimum: mm(2),
    maximum: mm(40),
    typical: { si: mm(8), source: TYPICAL },
  }),
  overflowLength: quantity('length of the overflow hose', 'length', 'mm', {
    maximum: 10,
    typical: { si: mm(1500), source: TYPICAL },
  }),
  liftMargin: quantity('lift pump in hand over the draw', 'volumeFlow', 'L/h', {
    maximum: litresPerHour(500),
    typical: { si: litresPerHour(10), source: TYPICAL },
    hint: 'What must still run over at the worst moment.',
  }),
  secondsWanted: quantity('seconds it must last with the pickup dry', 'time', 's', {
    maximum: 600,
    typical: { si: 10, source: TYPICAL },
  }),
});
