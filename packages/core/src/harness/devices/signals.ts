import { choice, idSchema, quantity, text, TYPICAL } from '../../fields/property.ts';
import { defineDevice } from './define-device.ts';

const SENDER = 100; // ohm, while its ends have not been measured
/** The level sender: its ohms are those of the gauge stage. */
export const levelSender = defineDevice(
  'levelSender',
  'Level sender',
  {
    which: choice(
      'it is',
      { first: 'the first sender', second: 'the second, in the other lobe' },
      { unsaid: 'the first' },
    ),
  },
  {
    terminals: () => ({
      signal: { name: 'signal', side: 'feed' },
      earth: { name: 'earth', din: '31', side: 'back' },
    }),
    links: () => [{ from: 'signal', to: 'earth', ohms: SENDER, draws: true }],
  },
);

const WINDING = 60; // ohm between supply and sender; typical, the gauge stage may know better
export const levelGauge = defineDevice(
  'levelGauge',
  'Fuel gauge',
  {},
  {
    terminals: () => ({
      feed: { name: 'feed', din: '15', side: 'feed' },
      sender: { name: 'to the sender', din: '31b', side: 'back' },
    }),
    links: () => [{ from: 'feed', to: 'sender', ohms: WINDING, draws: true }],
  },
);

/** Turns one range of ohms into another, or into volts, where no resistors can. */
export const converter = defineDevice(
  'converter',
  'Sender converter',
  {},
  {
    terminals: () => ({
      feed: { name: 'feed', din: '15', side: 'feed' },
      sender: { name: 'from the sender', side: 'control' },
      gauge: { name: 'to the gauge', side: 'back' },
      earth: { name: 'earth', din: '31', side: 'back' },
    }),
    links: () => [],
    buys: () => 'sender converter, set for both ranges',
  },
);

export const stabiliser = defineDevice(
  'stabiliser',
  'Stabiliser',
  {
    volts: quantity('holds', 'voltage', 'V', {
      minimum: 1,
      maximum: 60,
      likely: [5, 12],
      typical: { si: 10, source: TYPICAL },
    }),
  },
  {
    terminals: () => ({
      feed: { name: 'feed', din: '15', side: 'feed' },
      out: { name: 'held', side: 'back' },
      earth: { name: 'case', din: '31', side: 'control' },
    }),
    links: () => [],
    holds: (d) => ({ plus: 'out', minus: 'earth', volts: d.volts?.si ?? 10 }),
    buys: (d) => `voltage stabiliser, ${d.volts?.si ?? 10} V`,
  },
);

const SENSOR_DRAW = 500; // ohm: 10 mA at 5 V; typical
/** The fuel pressure sensor of the run, by three wires. */
export const pressureSensorPlug = defineDevice(
  'pressureSensorPlug',
  'Pressure sensor',
  { part: { ...text('sensor of the run', 40), schema: idSchema } },
  {
    terminals: () => ({
      supply: { name: 'supply, 5 V', side: 'feed' },
      signal: { name: 'signal', side: 'feed' },
      earth: { name: 'sensor earth', side: 'back' },
    }),
    links: () => [{ from: 'supply', to: 'earth', ohms: SENSOR_DRAW, draws: true }],
  },
);

const volts = (name: string, hint?: string) => quantity(name, 'voltage', 'V', { maximum: 10, hint });
export const wideband = defineDevice(
  'wideband',
  'Wideband controller',
  {
    expected: volts('output expected', 'What its table gives for the mixture that its display shows.'),
    read: volts('output read by the logger', 'At the same moment.'),
    slope: quantity('mixture per volt of its output', 'number', '', {
      maximum: 20,
      likely: [1, 4],
      hint: 'Air-fuel ratio per volt, from its table.',
    }),
    current: quantity('draws', 'current', 'A', { maximum: 30, typical: { si: 2, source: TYPICAL } }),
  },
  {
    terminals: () => ({
      feed: { name: 'feed', din: '15', side: 'feed' },
      out: { name: 'analogue output', side: 'back' },
      earth: { name: 'earth', din: '31', side: 'back' },
    }),
    links: () => [],
    load: ({ current }) => ({ from: 'feed', to: 'earth', amps: current?.si ?? 2 }),
  },
);
