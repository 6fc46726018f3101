import { z } from 'zod';
import { mm } from '../units/quick.ts';
import { lineMaterialNames } from '../parts/hard-line/hard-line.ts';
import { oldConnectionSchema } from './old-connection.ts';
import { choice, flag, objectOf, prose, quantity, rowOf, text } from '../fields/property.ts';
import { tankSchema } from './tank.ts';
import { ventSchema } from './vent.ts';

/** What the vehicle has. Heights are above the tank floor. */
export const surveyProperties = {
  railHeight: quantity('rail or carburettor height', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
    needed: true,
    hint: 'Above the tank floor, on level ground: water-filled clear hose, or floor to each.',
  }),
  stopsWithEngine: flag('the pump stops when the engine stops', 'Control unit, oil-pressure switch or relay logic.'),
  crashShutOff: flag('the pump stops in a crash', 'Inertia switch or control unit.'),
  notes: prose('notes', 4000),
};

export const existingLineProperties = {
  label: text('line', 60),
  outsideDiameter: quantity('tube outside diameter', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(2),
    maximum: mm(40),
    named: 'dashOfTube',
  }),
  wall: quantity('wall', 'length', 'mm', {
    tool: 'calipers',
    named: 'gaugeOfTube',
    minimum: mm(0.2),
    maximum: mm(5),
    likely: [mm(0.5), mm(2)],
  }),
  length: quantity('line length', 'length', 'mm', {
    tool: 'tape',
    maximum: 15,
  }),
  material: choice('material', lineMaterialNames),
  condition: choice('condition', { sound: 'sound', doubtful: 'doubtful', scrap: 'scrap' }),
};
const existingLineSchema = rowOf(existingLineProperties);
export type ExistingLine = z.infer<typeof existingLineSchema>;

export const surveySchema = objectOf(surveyProperties).extend({
  tank: tankSchema,
  vent: ventSchema.optional(),
  /** Connections of the factory system, and what becomes of each. */
  oldConnections: z.array(oldConnectionSchema).max(40).optional(),
  lines: z.array(existingLineSchema).max(20),
});
export type Survey = z.infer<typeof surveySchema>;
