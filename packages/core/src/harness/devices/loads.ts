import { idSchema, quantity, text } from '../../fields/property.ts';
import { defineDevice } from './define-device.ts';

/** A pump of the run: what it draws comes from its table, at its pressure and voltage. */
export const pumpLoad = defineDevice(
  'pumpLoad',
  'Pump',
  { part: { ...text('pump of the run', 40), schema: idSchema } },
  {
    terminals: () => ({
      plus: { name: 'positive', side: 'feed' },
      minus: { name: 'negative', din: '31', side: 'back' },
    }),
    links: () => [],
    load: ({ part }) => ({ from: 'plus', to: 'minus', ...(part === undefined ? {} : { part }) }),
  },
);

/** Lamps, fans, ignition: what else hangs on the same feed or earth. */
export const otherLoad = defineDevice(
  'otherLoad',
  'Other load',
  { current: quantity('draws', 'current', 'A', { maximum: 300, needed: true }) },
  {
    terminals: () => ({
      plus: { name: 'feed', side: 'feed' },
      minus: { name: 'earth', din: '31', side: 'back' },
    }),
    links: () => [],
    load: ({ current }) => ({ from: 'plus', to: 'minus', amps: current?.si ?? 0 }),
  },
);
