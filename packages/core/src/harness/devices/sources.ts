import { quantity, TYPICAL } from '../../fields/property.ts';
import { defineDevice } from './define-device.ts';

const CRANKING = 10; // V at a sound battery's posts while it turns an engine over; typical
const INNER = 0.012; // ohm of a sound starter battery; typical

/** Feeds everything while the engine stands or is turned over. */
export const battery = defineDevice(
  'battery',
  'Battery',
  {
    resistance: quantity('inner resistance', 'resistance', 'Ω', {
      maximum: 1,
      likely: [0.002, 0.1],
      typical: { si: INNER, source: TYPICAL },
      hint: 'Of a sound battery; an old one has several times that.',
    }),
    cranking: quantity('voltage at its posts while cranking', 'voltage', 'V', {
      minimum: 4,
      maximum: 60,
      likely: [8, 12],
      typical: { si: CRANKING, source: TYPICAL },
    }),
  },
  {
    terminals: () => ({
      plus: { name: 'positive post', din: '30', side: 'back' },
      minus: { name: 'negative post', din: '31', side: 'control' },
    }),
    links: () => [],
    source: ['plus', 'minus'],
  },
);
/** Of a battery, as it is set or typical. */
export const innerOhms = (d: { resistance?: { si: number } | undefined }): number => d.resistance?.si ?? INNER;
export const crankingVolts = (d: { cranking?: { si: number } | undefined }): number => d.cranking?.si ?? CRANKING;

/** Holds the system's voltage while the engine runs. */
export const alternator = defineDevice(
  'alternator',
  'Alternator',
  { rating: quantity('rated current', 'current', 'A', { maximum: 400, likely: [30, 250] }) },
  {
    terminals: () => ({
      plus: { name: 'output', din: 'B+', side: 'back' },
      minus: { name: 'body', din: '31', side: 'control' },
    }),
    links: () => [],
    source: ['plus', 'minus'],
  },
);
