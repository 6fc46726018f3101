import type { Component } from '../job/component.ts';
import type { Measured } from '../job/measured.ts';
import type { PumpTable } from '../job/components/pump.ts';
import type { Port, PortForm } from '../fittings/port.ts';
import { toSi, unitById } from '../units/unit-table.ts';

/** A measured value in the unit it was read in. */
export const in_ =
  (unit: string) =>
  (value: number): Measured => ({ si: toSi(value, unitById(unit)), unit });
export const mm = in_('mm');
export const inch = in_('in');
export const kPa = in_('kPa');
export const bar = in_('bar');
export const psi = in_('psi');
export const hp = in_('hp');
export const kW = in_('kW');
export const lph = in_('L/h');
export const um = in_('µm');
export const volt = in_('V');
export const amp = in_('A');
export const percent = in_('%');
export const litre = in_('L');
export const bsfc = in_('lb/(hp·h)');
export const ohm = in_('Ω');
export const plain = in_('');
export const degree = in_('°');

export const pumpTable = (voltage: number, rows: readonly [kPa: number, lph: number, amp: number][]): PumpTable => ({
  voltage: volt(voltage),
  rows: rows.map(([p, q, i]) => ({ pressure: kPa(p), flow: lph(q), current: amp(i) })),
});

export const male = (form: PortForm, size: string): Port => ({ form, size, gender: 'male' });
export const female = (form: PortForm, size: string): Port => ({ form, size, gender: 'female' });

export const component = <K extends Component['kind']>(
  kind: K,
  id: string,
  rest: Omit<Extract<Component, { kind: K }>, 'kind' | 'id'> = {} as never,
): Component => ({ kind, id, ...rest });

/** Invented pumps, shaped like the usual name-plate classes. */
export const pumpClasses = {
  carburettor120: [
    pumpTable(13.5, [
      [0, 130, 1.6],
      [15, 112, 1.8],
      [30, 88, 2],
      [45, 52, 2.2],
      [55, 0, 2.4],
    ]),
    pumpTable(12, [
      [0, 114, 1.4],
      [15, 96, 1.6],
      [30, 71, 1.8],
      [45, 22, 2],
    ]),
  ],
  injection190: [
    pumpTable(13.5, [
      [0, 248, 3.9],
      [200, 212, 5.1],
      [300, 190, 5.8],
      [400, 163, 6.6],
      [500, 130, 7.4],
      [690, 0, 8.8],
    ]),
    pumpTable(12, [
      [0, 214, 3.5],
      [200, 176, 4.7],
      [300, 152, 5.4],
      [400, 122, 6.2],
      [500, 84, 7],
    ]),
  ],
  injection255: [
    pumpTable(13.5, [
      [0, 320, 5.2],
      [200, 281, 7.1],
      [300, 255, 8.1],
      [400, 224, 9.2],
      [500, 186, 10.3],
      [600, 136, 11.5],
      [740, 0, 13],
    ]),
    pumpTable(12, [
      [0, 277, 4.7],
      [200, 236, 6.6],
      [300, 208, 7.6],
      [400, 175, 8.7],
      [500, 133, 9.8],
    ]),
  ],
  injection340: [
    pumpTable(13.5, [
      [0, 420, 8],
      [200, 371, 10.4],
      [300, 340, 11.8],
      [400, 303, 13.4],
      [500, 258, 14.8],
      [600, 200, 16.2],
      [760, 0, 18],
    ]),
    pumpTable(12, [
      [0, 364, 7.2],
      [200, 312, 9.6],
      [300, 279, 11],
      [400, 239, 12.6],
      [500, 190, 14],
    ]),
  ],
} satisfies Record<string, PumpTable[]>;
