import { choice } from '../property.ts';
import { defineComponent } from './define-component.ts';

/** The tank as the start of the run. Its measurements are in the survey. */
export const tank = defineComponent('tank', 'Tank', {
  pickup: choice('fuel leaves by', {
    hanger: 'the pump hanger',
    bottomOutlet: 'a bottom or side outlet',
    tube: 'a pickup tube from above',
  }),
});
