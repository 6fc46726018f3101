import { mm } from '../../units/quick.ts';
import { choice, quantity } from '../property.ts';
import { defineComponent } from './define-component.ts';

export const fitting = defineComponent('fitting', 'Fitting', {
  shape: choice(
    'shape',
    {
      straight: 'straight, union or reducer',
      elbow90Tight: '90° elbow, tight',
      elbow90Swept: '90° hose end, swept',
      elbow45Tight: '45° elbow, tight',
      elbow45Swept: '45° hose end, swept',
      teeRun: 'tee, straight through',
      teeBranch: 'tee, through the branch',
      y: 'Y, into one branch',
      block: 'distribution block, into one port',
      quickConnector: 'quick connector',
      banjo: 'banjo',
      bulkhead: 'bulkhead fitting',
    },
    { needed: true },
  ),
  bore: quantity('fitting bore', 'length', 'mm', {
    minimum: mm(0.5),
    maximum: mm(60),
    likely: [mm(3), mm(20)],
    needed: true,
    hint: 'The smallest hole through it; it is smaller than the hose’s.',
  }),
  lossCoefficient: quantity('loss coefficient K', 'number', '', {
    maximum: 200,
    hint: 'Only if the maker states one; otherwise by shape.',
  }),
});
