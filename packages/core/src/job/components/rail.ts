import { mm } from '../../units/quick.ts';
import { choice, count, quantity, TYPICAL } from '../property.ts';
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
  feed: choice(
    'fed as',
    {
      single: 'one rail',
      series: 'two rails, one after the other',
      parallel: 'two rails from a Y or block, joined again behind',
      crossover: 'two rails, the second hung on a crossover tube',
    },
    { hint: 'Each of two rails has the bore and length below and half the injectors.' },
  ),
  splitter: choice('split by', { y: 'a Y', block: 'a distribution block', tee: 'a tee' }),
  branchLength: quantity('length of each branch or crossover', 'length', 'mm', {
    maximum: 2,
    typical: { si: mm(350), source: TYPICAL },
  }),
  branchBore: quantity('bore of branches or crossover', 'length', 'mm', {
    minimum: mm(3),
    maximum: mm(30),
    typical: { si: mm(7.9), source: TYPICAL },
  }),
  unusedPorts: count('ports not on the run', 6, 'Ports left over: gauge, second inlet, crossover.'),
  closedPorts: count('of these capped or plugged', 6),
});
