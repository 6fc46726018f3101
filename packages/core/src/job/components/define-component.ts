import { z } from 'zod';
import { portSchema } from '../../fittings/port.ts';
import { seals } from '../../ratings/material-fuel.ts';
import {
  choice,
  idSchema,
  namesOf,
  objectOf,
  quantity,
  text,
  type Property,
  type SpecialProperty,
} from '../property.ts';

const port = (name: string): SpecialProperty<typeof portSchema> => ({ type: 'port', name, schema: portSchema });

/** What every component on the run may carry besides its own properties. */
export const commonProperties = {
  label: text('name', 60),
  outletHeight: quantity('outlet height', 'length', 'mm', {
    minimum: -3,
    maximum: 3,
    hint: 'Height of its outlet above the tank floor; between known heights Endrel interpolates.',
  }),
  inletPort: port('inlet port'),
  outletPort: port('outlet port'),
  inletSealant: choice('sealant at the inlet joint', { none: 'none', liquid: 'liquid thread sealant', tape: 'tape' }),
  seals: choice('seals', namesOf(seals)),
  note: text('note', 400),
};

/**
 * One kind of component: its schema and its form come from the same list of properties.
 *
 * @param name - as it is called on the run.
 */
export function defineComponent<const K extends string, P extends Record<string, Property>>(
  kind: K,
  name: string,
  properties: P,
) {
  const schema = objectOf({ ...commonProperties, ...properties }).extend({
    id: idSchema,
    kind: z.literal(kind),
  });
  return { kind, name, properties, schema };
}
