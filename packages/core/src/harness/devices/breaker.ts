import { choice, quantity } from '../../fields/property.ts';
import { ohmsOr } from './contacts.ts';
import { defineDevice } from './define-device.ts';

const BREAKER_DROP = 0.15; // V at its rated current: its bimetal carries it; typical, from memory
const UNREAD_BREAKER = 0.01; // ohm, while nobody has read what it is rated

/** Sizes that breakers for vehicles are sold in, A; SAE J553, from memory. */
const SIZES = [5, 6, 8, 10, 15, 20, 25, 30, 35, 40, 50] as const;

export const breaker = defineDevice(
  'breaker',
  'Circuit breaker',
  {
    rating: quantity('breaker', 'current', 'A', { maximum: 100, likely: [5, 40], needed: true }),
    resets: choice(
      'it resets',
      {
        byHand: 'by hand (SAE J553 type III)',
        withPowerOff: 'once power is off (type II)',
        byItself: 'by itself (type I)',
      },
      {
        hint: 'One that resets by itself feeds a short again and again: for a pump one that is reset by hand is usual.',
      },
    ),
    resistance: quantity('its resistance', 'resistance', 'Ω', {
      maximum: 2,
      hint: 'Unknown: 0.15 V at what it is rated for, typical.',
    }),
  },
  {
    terminals: () => ({
      in: { name: 'feed', din: '30', side: 'feed' },
      out: { name: 'protected', din: '30', side: 'back' },
    }),
    links: (d) => [
      {
        from: 'in',
        to: 'out',
        ohms: ohmsOr(d, d.rating && d.rating.si > 0 ? BREAKER_DROP / d.rating.si : UNREAD_BREAKER),
        rated: d.rating?.si,
      },
    ],
    fuse: (d) => d.rating?.si ?? null,
    fuseSizes: SIZES,
    buys: (d) => (d.rating ? `circuit breaker ${d.rating.si} A, SAE J553` : 'circuit breaker'),
  },
);
