import { z } from 'zod';
import { portPlaceSchema } from './place.ts';
import { isInherited } from '../fields/names.ts';
import { idSchema } from '../fields/property.ts';
import { portSchema } from '../fittings/port.ts';

/** What closes a port that leads nowhere. */
export const closures = { capped: 'capped', plugged: 'plugged' } as const;
export type Closure = keyof typeof closures;

/** What is known of one port of a part, and what sits on it when no joint does. Mated is what a joint says; else it is open. */
export const portStateSchema = z.strictObject({
  /** Form, size and gender, once looked at. */
  fitting: portSchema.optional(),
  /** Where its seat is under the vehicle and which way it points, once measured. */
  place: portPlaceSchema.optional(),
  closed: z.enum(['capped', 'plugged']).optional(),
});
export type PortState = z.infer<typeof portStateSchema>;

export const portNameSchema = z
  .string()
  .regex(/^[a-z][a-z0-9-]{0,23}$/, 'must be lower-case letters, digits and dashes')
  .refine((name) => !isInherited(name), 'is a name that no port has');

/** One end of a joint. */
export const portRefSchema = z.strictObject({ part: idSchema, port: portNameSchema });
export type PortRef = z.infer<typeof portRefSchema>;

export const portKey = (part: string, port: string): string => `${part}.${port}`;

/**
 * Which way fuel runs through a port in service: `in` and `out` of a pump only that way, `either` as the run has it, `spill` what
 * a regulator or a pot lets go, `tap` none at all (an instrument), `dry` holds no fuel.
 */
export type PortUse = 'in' | 'out' | 'either' | 'spill' | 'tap' | 'dry';

export interface PortSpec {
  /** "inlet" */
  readonly name: string;
  readonly use: PortUse;
}
