import { choice, count, flag, quantity, text, TYPICAL } from '../../fields/property.ts';
import { contact, ohmsOr, rating } from './contacts.ts';
import { defineDevice } from './define-device.ts';
import { atLeastOne } from '../wire.ts';

const PIN = 0.0025; // ohm of one pin and its two crimps; typical

export const connector = defineDevice(
  'connector',
  'Connector',
  {
    pins: count('pins side by side for it', 4, 'Two pins share its current: both conductors of a doubled wire.'),
    rating: rating('Of one pin, from its sheet.'),
    resistance: contact(PIN),
    face: text('connector', 30, 'Ways through one shell carry its name: “C1”.'),
    cavities: text('cavities', 20, 'As numbered on its face: “3” or “3, 4”.'),
    place: choice('it is', {
      plain: 'in line, outside the tank',
      bulkhead: 'through the plate, sealed',
      inTank: 'inside the tank',
    }),
    immersible: flag('made to lie in fuel', 'Its maker says so, for this fuel.'),
    seats: choice('terminals are', {
      push: 'pushed in from the back',
      pull: 'pulled in from the front: wire first, then crimp',
    }),
  },
  {
    terminals: () => ({
      in: { name: 'feed side', side: 'feed' },
      out: { name: 'far side', side: 'back' },
    }),
    links: (d) => {
      const pins = atLeastOne(d.pins);
      return [{ from: 'in', to: 'out', ohms: ohmsOr(d, PIN) / pins, rated: d.rating && d.rating.si * pins }];
    },
    buys: (d) =>
      d.place === 'bulkhead'
        ? 'sealed bulkhead connector for the plate'
        : `connector${d.rating ? `, pins of ${d.rating.si} A` : ''}`,
  },
);

const SPLICE = 0.0005; // ohm of a good crimp; typical
/** Where wires meet for good. */
export const splice = defineDevice(
  'splice',
  'Splice',
  {
    made: choice(
      'made by',
      {
        butt: 'crimped barrel, heat-shrunk',
        solder: 'solder',
        wireNut: 'wire nut',
        twist: 'twisted, bare or taped',
        terminal: 'terminal block or stud',
      },
      { needed: true },
    ),
    resistance: contact(SPLICE),
    inTank: flag('inside the tank'),
  },
  {
    terminals: () => ({
      in: { name: 'joint', side: 'feed' },
      out: { name: 'joint', side: 'back' },
    }),
    links: (d) => [{ from: 'in', to: 'out', ohms: ohmsOr(d, SPLICE) }],
    buys: (d) => (d.made === 'butt' ? 'crimp splice with heat-shrink' : undefined),
  },
);

const STUD = 0.001;
export const stud = defineDevice(
  'stud',
  'Insulated stud',
  {
    rating: rating('By its thread and metal.'),
    resistance: contact(STUD),
    insulated: flag('plastic sleeve and washers on both sides'),
    proved: quantity('meter from it to the plate', 'resistance', 'Ω', {
      maximum: 1e9,
      hint: 'Wires off; a sound one shows no end of ohms.',
    }),
  },
  {
    terminals: () => ({
      in: { name: 'outside', side: 'feed' },
      out: { name: 'inside the tank', side: 'back' },
    }),
    links: (d) => [{ from: 'in', to: 'out', ohms: ohmsOr(d, STUD), rated: d.rating?.si }],
    buys: () => 'stud with insulating sleeve, washers and seal',
  },
);

const BODY = 0.003;
/** Where a wire meets the body, and through that the battery's negative. */
export const earthPoint = defineDevice(
  'earthPoint',
  'Earth point',
  {
    resistance: quantity('from there to the battery’s negative', 'resistance', 'Ω', {
      maximum: 2,
      likely: [0.0005, 0.05],
      typical: { si: BODY, source: TYPICAL },
      hint: 'Lug, body and strap together: bare metal, measured loaded.',
    }),
    on: choice('on', {
      body: 'body or frame',
      engine: 'the engine',
      plate: 'the tank’s plate',
      battery: 'the battery’s negative itself',
    }),
  },
  {
    terminals: () => ({ point: { name: 'point', din: '31', side: 'feed' } }),
    links: (d) => [{ from: 'point', to: 'earth', ohms: ohmsOr(d, BODY) }],
  },
);
