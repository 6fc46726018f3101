import { mm } from '../../units/quick.ts';
import { count, quantity, TYPICAL } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const rail = defineComponent('rail', 'Fuel rail', {
  injectors: count('number of injectors', 16),
  bore: quantity('rail bore', 'length', 'mm', {
    minimum: mm(3),
    maximum: mm(60),
    typical: { si: mm(11), source: TYPICAL },
  }),
  length: quantity('rail length', 'length', 'mm', {
    minimum: mm(20),
    maximum: 2,
    typical: { si: mm(400), source: TYPICAL },
  }),
  unusedPorts: count('ports not on the run', 6, 'Ports left over: gauge, second inlet, crossover.'),
  closedPorts: count('of these capped or plugged', 6),
});
