import { choice, flag, quantity, TYPICAL } from '../../fields/property.ts';
import type { CutOffState } from '../cut-off-state.ts';
import { contact, ohmsOr } from './contacts.ts';
import { defineDevice } from './define-device.ts';

const PRIME = 2; // s with the key on and the engine standing; typical
const DRIVER = 0.2; // ohm of an output that switches a coil; typical
const SENSOR_SUPPLY = 5; // V, common practice

const primes = quantity('runs the pump at key on for', 'time', 's', {
  maximum: 30,
  typical: { si: PRIME, source: TYPICAL },
});
const crashInput = flag('cuts the pump in a crash', 'Of its own, by the airbags’ signal.');
const deadCloses = flag('leaves the pump on when it is dead', 'A driver that fails short; unsaid: it lets go.');

/** What a unit has for a three-wire sensor. */
const sensorTerminals = {
  sensorSupply: { name: 'sensor supply', side: 'back' },
  signal: { name: 'sensor signal', side: 'back' },
  sensorEarth: { name: 'sensor earth', side: 'back' },
} as const;
const sensorSupply = { plus: 'sensorSupply', minus: 'sensorEarth', volts: SENSOR_SUPPLY } as const;
const sensorReturn = { from: 'sensorEarth', to: 'earth', ohms: 0 } as const;

interface Unit {
  readonly id: string;
  readonly prime?: { readonly si: number } | undefined;
  readonly crashInput?: boolean | undefined;
  readonly deadCloses?: boolean | undefined;
}
/** A unit that knows whether the engine turns: on while it does, and for the prime. */
function wantsPump(d: Unit, { key, engine, since, crashed, failed, untold }: CutOffState): boolean {
  if (failed.has(d.id)) return d.deadCloses === true;
  if (key === 'off' || (engine === 'stopped' && since >= (d.prime?.si ?? PRIME))) return false;
  return !crashed || !(d.crashInput ?? untold === 'open');
}

/** The engine's control unit: its pump outputs earth or feed coils, and it feeds the sensors. */
export const controlUnit = defineDevice(
  'controlUnit',
  'Control unit',
  {
    output: choice('its pump output', { earths: 'earths the coil', feeds: 'feeds the coil' }, { needed: true }),
    prime: primes,
    crashInput,
    deadCloses,
    rating: quantity('its output carries', 'current', 'A', { maximum: 20, likely: [0.2, 5] }),
  },
  {
    terminals: () => ({
      feed: { name: 'feed', din: '15', side: 'feed' },
      pump: { name: 'pump output', side: 'control' },
      stage: { name: 'second pump output', side: 'control' },
      ...sensorTerminals,
      earth: { name: 'earth', din: '31', side: 'back' },
    }),
    links: (d) => [
      ...(['pump', 'stage'] as const).map((output) => ({
        from: d.output === 'feeds' ? 'feed' : output,
        to: d.output === 'feeds' ? output : 'earth',
        ohms: DRIVER,
        rated: d.rating?.si,
        isClosed: (state: CutOffState) => wantsPump(d, state),
      })),
      sensorReturn,
    ],
    holds: () => sensorSupply,
  },
);

const SWITCH = 0.012; // ohm of the output transistors, both; typical
const ENABLE = 10e3; // ohm of its input
/** A pump controller (PWM): passes the supply on for a share of the time, so that its sensor reads what it has to hold. */
export const pumpController = defineDevice(
  'pumpController',
  'Pump controller (PWM)',
  {
    resistance: contact(SWITCH),
    rating: quantity('it carries', 'current', 'A', { maximum: 100, likely: [10, 40] }),
    knowsEngine: flag(
      'stops the pump by itself when the engine stands',
      'By a message or a speed signal; else what feeds its enable input must.',
    ),
    prime: primes,
    crashInput,
    deadCloses,
  },
  {
    terminals: () => ({
      feed: { name: 'feed', din: '30', side: 'feed' },
      earth: { name: 'earth', din: '31', side: 'control' },
      enable: { name: 'enable', din: '15', side: 'feed' },
      pumpPlus: { name: 'pump +', side: 'back' },
      pumpMinus: { name: 'pump −', side: 'back' },
      ...sensorTerminals,
    }),
    links: (d) => [
      {
        from: 'feed',
        to: 'pumpPlus',
        ohms: ohmsOr(d, SWITCH),
        rated: d.rating?.si,
        isClosed: (state, { isPulled }) =>
          state.failed.has(d.id)
            ? d.deadCloses === true
            : isPulled &&
              (d.knowsEngine === true
                ? wantsPump(d, state)
                : !state.crashed || !(d.crashInput ?? state.untold === 'open')),
      },
      { from: 'pumpMinus', to: 'earth', ohms: 0, rated: d.rating?.si },
      { from: 'enable', to: 'earth', ohms: ENABLE, draws: true },
      sensorReturn,
    ],
    coil: ['enable', 'earth'],
    holds: () => sensorSupply,
    buys: (d) => `pump controller (PWM)${d.rating ? `, ${d.rating.si} A` : ''}`,
  },
);
