import type { PumpTable } from './pump-table.ts';
import { measured } from '../fields/measured.ts';
import { kPa, litresPerHour } from '../units/quick.ts';

const pumpTable = (voltage: number, rows: readonly [kPa: number, lph: number, amp: number][]): PumpTable => ({
  voltage: measured(voltage, 'V'),
  rows: rows.map(([p, q, i]) => ({
    pressure: measured(kPa(p), 'kPa'),
    flow: measured(litresPerHour(q), 'L/h'),
    current: measured(i, 'A'),
  })),
});

/** Invented pumps, shaped like the usual name-plate classes: typical, verify against the part's data sheet. */
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
  injection450: [
    pumpTable(13.5, [
      [0, 545, 9.5],
      [200, 486, 13],
      [300, 450, 15],
      [400, 407, 17],
      [500, 355, 19.2],
      [600, 288, 21.5],
      [800, 0, 26],
    ]),
    pumpTable(12, [
      [0, 476, 8.6],
      [200, 412, 12],
      [300, 372, 14],
      [400, 322, 16],
      [500, 262, 18.2],
    ]),
  ],
} satisfies Record<string, PumpTable[]>;

/** Generic pumps in common sizes, by the name-plate flow that they are sold by. */
export const pumpLibrary: Record<
  keyof typeof pumpClasses,
  { readonly name: string; readonly tables: readonly PumpTable[] }
> = {
  carburettor120: { name: 'carburettor pump, 120 L/h free flow', tables: pumpClasses.carburettor120 },
  injection190: { name: 'injection pump, 190 L/h at 300 kPa', tables: pumpClasses.injection190 },
  injection255: { name: 'injection pump, 255 L/h at 300 kPa', tables: pumpClasses.injection255 },
  injection340: { name: 'injection pump, 340 L/h at 300 kPa', tables: pumpClasses.injection340 },
  injection450: { name: 'injection pump, 450 L/h at 300 kPa', tables: pumpClasses.injection450 },
};
