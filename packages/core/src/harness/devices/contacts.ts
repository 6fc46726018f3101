import { choice, flag, quantity, TYPICAL } from '../../fields/property.ts';
import { bladeFuses } from '../fuse.ts';
import { defineDevice } from './define-device.ts';

export const contact = (si: number) =>
  quantity('resistance of its contacts', 'resistance', 'Ω', {
    maximum: 2,
    likely: [0.001, 0.1],
    typical: { si, source: TYPICAL },
  });
export const rating = (hint: string) =>
  quantity('rated current', 'current', 'A', { maximum: 300, likely: [1, 80], hint });
interface WithResistance {
  readonly resistance?: { readonly si: number } | undefined;
}
export const ohmsOr = (d: WithResistance, typical: number): number => d.resistance?.si ?? typical;

/** A blade fuse takes about 0.1 V at its rated current, its holder with it; typical, from memory. */
const FUSE_DROP = 0.1;
const UNREAD_FUSE = 0.006; // ohm, while nobody has read what it is rated

export const fuse = defineDevice(
  'fuse',
  'Fuse',
  {
    rating: quantity('fuse', 'current', 'A', { maximum: 100, likely: [5, 40], needed: true }),
    resistance: quantity('its resistance, holder included', 'resistance', 'Ω', {
      maximum: 2,
      hint: 'Unknown: a tenth of a volt at what it is rated for, typical.',
    }),
  },
  {
    terminals: () => ({
      in: { name: 'feed', din: '30', side: 'feed' },
      out: { name: 'fused', din: '30', side: 'back' },
    }),
    links: (d) => [
      {
        from: 'in',
        to: 'out',
        ohms: ohmsOr(d, d.rating && d.rating.si > 0 ? FUSE_DROP / d.rating.si : UNREAD_FUSE),
        rated: d.rating?.si,
      },
    ],
    fuse: (d) => d.rating?.si ?? null,
    fuseSizes: bladeFuses,
    buys: (d) => (d.rating ? `blade fuse ${d.rating.si} A, ISO 8820-3, with holder` : 'blade fuse with holder'),
  },
);

const RELAY_CONTACT = 0.005;
const COIL = 85; // ohm of a 12 V coil; typical, from memory
const welded = (failed: ReadonlySet<string>, id: string) => failed.has(id);

export const relay = defineDevice(
  'relay',
  'Relay',
  {
    rating: rating('Of the contacts 30–87, on its case.'),
    resistance: contact(RELAY_CONTACT),
    coil: quantity('resistance of its coil', 'resistance', 'Ω', {
      minimum: 5,
      maximum: 2000,
      likely: [40, 400],
      typical: { si: COIL, source: TYPICAL },
    }),
    changesOver: flag('has a contact 87a', 'Closed while the coil has no current.'),
    diode: choice('across the coil', {
      diode: 'a diode: 86 must be the positive side',
      resistor: 'a resistor',
      none: 'nothing',
    }),
  },
  {
    terminals: (d) => ({
      '30': { name: 'feed', din: '30', side: 'feed' },
      '86': { name: 'coil, feed side', din: '86', side: 'control' },
      '85': { name: 'coil, earth side', din: '85', side: 'control' },
      '87': { name: 'switched', din: '87', side: 'back' },
      ...(d.changesOver ? { '87a': { name: 'closed at rest', din: '87a', side: 'back' as const } } : {}),
    }),
    links: (d) => {
      const at = { from: '30', ohms: ohmsOr(d, RELAY_CONTACT), rated: d.rating?.si };
      return [
        {
          ...at,
          to: '87',
          isClosed: ({ failed, untold }, { isPulled, isCoilWired }) =>
            welded(failed, d.id) || (isCoilWired ? isPulled : untold === 'closed'),
        },
        ...(d.changesOver
          ? [
              {
                ...at,
                to: '87a',
                isClosed: (s: { failed: ReadonlySet<string> }, p: { isPulled: boolean; isCoilWired: boolean }) =>
                  p.isCoilWired && !p.isPulled && !welded(s.failed, d.id),
              },
            ]
          : []),
        { from: '86', to: '85', ohms: d.coil?.si ?? COIL, draws: true },
      ];
    },
    coil: ['86', '85'],
    buys: (d) =>
      `relay, ${d.changesOver ? 'change-over' : 'make'} contact${d.rating ? `, ${d.rating.si} A` : ''}, with socket`,
  },
);

const SWITCH_CONTACT = 0.01;
const through = {
  in: { name: 'feed', din: '30', side: 'feed' },
  out: { name: 'switched', side: 'back' },
} as const;

export const keySwitch = defineDevice(
  'keySwitch',
  'Key switch',
  { rating: rating('Of its contact 15.'), resistance: contact(SWITCH_CONTACT) },
  {
    terminals: () => ({
      '30': { name: 'feed', din: '30', side: 'feed' },
      '15': { name: 'on', din: '15', side: 'back' },
      '50': { name: 'start', din: '50', side: 'back' },
    }),
    links: (d) => {
      const at = { from: '30', ohms: ohmsOr(d, SWITCH_CONTACT), rated: d.rating?.si };
      return [
        { ...at, to: '15', isClosed: ({ key }) => key !== 'off' },
        { ...at, to: '50', isClosed: ({ key }) => key === 'start' },
      ];
    },
  },
);

export const inertiaSwitch = defineDevice(
  'inertiaSwitch',
  'Inertia switch',
  { rating: rating('Many carry a coil only, not a pump.'), resistance: contact(SWITCH_CONTACT) },
  {
    terminals: () => through,
    links: (d) => [
      {
        from: 'in',
        to: 'out',
        ohms: ohmsOr(d, SWITCH_CONTACT),
        rated: d.rating?.si,
        isClosed: ({ crashed }) => !crashed,
      },
    ],
    buys: () => 'inertia switch, opens in a crash, reset by hand',
  },
);

export const oilSwitch = defineDevice(
  'oilSwitch',
  'Oil-pressure switch',
  {
    rating: rating('Of the contact that closes with pressure.'),
    resistance: contact(SWITCH_CONTACT),
    starts: flag('has a second contact for cranking', 'Closed while there is no pressure, fed from terminal 50.'),
  },
  {
    terminals: (d) => ({
      ...through,
      ...(d.starts ? { start: { name: 'from the starter', din: '50', side: 'feed' as const } } : {}),
    }),
    links: (d) => {
      const at = { to: 'out', ohms: ohmsOr(d, SWITCH_CONTACT), rated: d.rating?.si };
      const atRest = (s: { oilPressure: boolean }) => !s.oilPressure;
      return [
        { ...at, from: 'in', isClosed: ({ oilPressure }) => oilPressure },
        ...(d.starts ? [{ ...at, from: 'start', isClosed: atRest }] : []),
      ];
    },
    buys: () => 'oil-pressure switch, closes with pressure',
  },
);
