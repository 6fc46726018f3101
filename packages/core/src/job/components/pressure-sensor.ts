import { flag } from '../property.ts';
import { defineComponent } from './define-component.ts';

/** Where a pump controller reads the pressure that it holds. */
export const pressureSensor = defineComponent('pressureSensor', 'Pressure sensor', {
  onRail: flag('screwed into the rail', 'Otherwise it reads the line where it stands on the run.'),
});
