import type { z } from 'zod';
import { choice, objectOf, quantity, TYPICAL } from './property.ts';

const OHMS = { maximum: 5000, likely: [0, 400] as const };
const HEIGHT = { minimum: -0.5, maximum: 3 };

/** The level sender, and the gauge or control-unit input that reads it. */
export const gaugeProperties = {
  kind: choice('what reads the sender', {
    ohms: 'a gauge with a fixed range',
    programmable: 'a gauge or input that takes a table',
  }),
  senderEmpty: quantity('sender at the bottom stop', 'resistance', 'Ω', {
    ...OHMS,
    hint: 'Meter across the sender, arm held at the bottom stop; sweep it a few times first.',
  }),
  senderFull: quantity('sender at the top stop', 'resistance', 'Ω', {
    ...OHMS,
    hint: 'The same with the arm at the top stop.',
  }),
  gaugeEmpty: quantity('gauge reads E at', 'resistance', 'Ω', {
    ...OHMS,
    hint: 'From the gauge’s sheet, or found with a box of resistors.',
  }),
  gaugeFull: quantity('gauge reads F at', 'resistance', 'Ω', OHMS),
  floatLow: quantity('float at the bottom stop', 'length', 'mm', {
    ...HEIGHT,
    hint: 'Middle of the float above the tank floor, arm at the bottom stop.',
  }),
  floatHigh: quantity('float at the top stop', 'length', 'mm', HEIGHT),
  armLength: quantity('float arm, pivot to float', 'length', 'mm', {
    maximum: 1,
    hint: 'With the pivot’s height Endrel reckons with the arc; without, along the height.',
  }),
  pivotHeight: quantity('pivot height', 'length', 'mm', HEIGHT),
  supply: quantity('supply of the gauge', 'voltage', 'V', {
    minimum: 1,
    maximum: 60,
    typical: { si: 14, source: TYPICAL },
  }),
};
export const gaugeSchema = objectOf(gaugeProperties);
export type Gauge = z.infer<typeof gaugeSchema>;
