import { z } from 'zod';
import { mm } from '../units/quick.ts';
import { choice, flag, idSchema, objectOf, prose, quantity } from '../fields/property.ts';
import { adapterSchema, MOST_IN_CHAIN, turned, type Adapter } from '../fittings/adapter.ts';
import { portRefSchema, type PortRef } from './port.ts';

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
  turn: quantity('adapters turn the fuel by', 'angle', '°', {
    maximum: Math.PI,
    hint: 'How far the line has to turn at this joint; unsaid: as it comes.',
  }),
  leastBore: quantity('least bore of adapters', 'length', 'mm', { tool: 'calipers', maximum: mm(60) }),
  room: quantity('room for adapters', 'length', 'mm', {
    tool: 'tape',
    maximum: 1,
    hint: 'Along the line, between the two parts.',
  }),
  note: prose('note', 200),
};
/** What adapters of a joint have to keep to, as it is asked where they are chosen. */
export const adapterWishes = ['turn', 'leastBore', 'room'] as const;
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

/** Adapters of a joint as they are read from one of its ends: kept from `a` on, they are turned round for `b`, and the other way. */
export const readFrom = ({ a }: Pick<Joint, 'a'>, end: PortRef, chain: readonly Adapter[]): readonly Adapter[] =>
  a.part === end.part && a.port === end.port ? chain : turned(chain);

/** The clamp of a joint as it is bought. */
export const clampNames: Record<NonNullable<Joint['clamp']>, string | undefined> = {
  band: 'Band clamp, injection type',
  worm: 'Worm-drive clamp',
  crimped: 'Crimp sleeve',
  hoseEnds: 'Hose end to suit the hose',
  none: undefined,
};
