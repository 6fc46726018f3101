import { z } from 'zod';
import { choice, flag, idSchema, objectOf, prose, quantity } from '../job/property.ts';
import { adapterSchema, MOST_IN_CHAIN } from '../fittings/adapter.ts';
import { portRefSchema } from './port.ts';

/** What is known of a joint besides the two ports that make it. */
export const jointProperties = {
  sealant: choice('sealant', { none: 'none', liquid: 'liquid thread sealant', tape: 'tape' }),
  clamp: choice('hose held by', {
    band: 'band clamp (injection type)',
    worm: 'worm-drive clamp',
    hoseEnds: 'hose ends',
    crimped: 'crimped sleeves',
    none: 'push-on barbs, no clamp',
  }),
  tight: flag('tightened and marked'),
  height: quantity('height of the joint', 'length', 'mm', {
    tool: 'tape',
    minimum: -3,
    maximum: 3,
    hint: 'Above the tank floor; between known heights Endrel interpolates.',
  }),
  note: prose('note', 200),
};
export type JointKey = keyof typeof jointProperties;

/** Where two ports meet. */
export const jointSchema = objectOf(jointProperties).extend({
  id: idSchema,
  a: portRefSchema,
  b: portRefSchema,
  /** Adapters that stand between, from `a` to `b`, each with its port on the side of `a` first. */
  chain: z.array(adapterSchema).min(1).max(MOST_IN_CHAIN).optional(),
});
/** Whether an act may set that of a joint. */
export const isJointField = (key: string): boolean => key in jointProperties || key === 'chain';
export type Joint = z.infer<typeof jointSchema>;

/** The clamp of a joint as it is bought. */
export const clampNames: Record<NonNullable<Joint['clamp']>, string | undefined> = {
  band: 'Band clamp, injection type',
  worm: 'Worm-drive clamp',
  crimped: 'Crimp sleeve',
  hoseEnds: 'Hose end to suit the hose',
  none: undefined,
};
