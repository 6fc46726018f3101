import { z } from 'zod';
import { mm } from '../units/quick.ts';
import { measuredSchema } from '../fields/measured.ts';
import { choice, objectOf, quantity, TYPICAL, onTabs } from '../fields/property.ts';

const OHMS = { maximum: 5000, likely: [0, 400] as const };
const HEIGHT = { minimum: -0.5, maximum: 3 };

/** The level sender, and the gauge or control-unit input that reads it. */
export const gaugeProperties = onTabs(
  {
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
      tool: 'tape',
      ...HEIGHT,
      hint: 'Middle of the float above the tank floor, arm at the bottom stop.',
    }),
    floatHigh: quantity('float at the top stop', 'length', 'mm', { ...HEIGHT, tool: 'tape' }),
    armLength: quantity('float arm, pivot to float', 'length', 'mm', {
      tool: 'tape',
      maximum: 1,
      hint: 'With the pivot’s height Endrel reckons with the arc; without, along the height.',
    }),
    pivotHeight: quantity('pivot height', 'length', 'mm', { ...HEIGHT, tool: 'tape' }),
    supply: quantity('supply of the gauge', 'voltage', 'V', {
      minimum: 1,
      maximum: 60,
      typical: { si: 14, source: TYPICAL },
      hint: 'What reaches the gauge: a stabiliser’s voltage where there is one.',
    }),
    movement: choice('the gauge works by', {
      crossCoil: 'crossed coils: its supply does not matter',
      bimetal: 'heat (slow needle): wants its own voltage',
    }),
    stabiliser: quantity('voltage the gauge was made for', 'voltage', 'V', {
      minimum: 1,
      maximum: 60,
      hint: 'Often 10 V behind a stabiliser in old vehicles.',
    }),
    gaugeResistance: quantity('the gauge’s own resistance', 'resistance', 'Ω', {
      maximum: 5000,
      hint: 'Meter across its terminals, wires off.',
    }),
    reserveWanted: quantity('reserve wanted at E', 'volume', 'L', { maximum: 0.1 }),

    stopDown: quantity('arm below level at the bottom stop', 'angle', '°', {
      minimum: -Math.PI / 2,
      maximum: Math.PI / 2,
      hint: 'Sender held as it sits in the tank; negative if the arm is still above level.',
    }),
    stopUp: quantity('arm above level at the top stop', 'angle', '°', { minimum: -Math.PI / 2, maximum: Math.PI / 2 }),
    floatRadius: quantity('float radius', 'length', 'mm', {
      tool: 'calipers',
      maximum: mm(80),
      typical: { si: mm(18), source: TYPICAL },
    }),
    wantLow: quantity('float height wanted at E', 'length', 'mm', {
      tool: 'tape',
      maximum: 1,
    }),
    wantHigh: quantity('float height wanted at F', 'length', 'mm', {
      tool: 'tape',
      maximum: 3,
    }),
    armSide: choice('arm swings in the section', {
      forward: 'forwards',
      back: 'backwards',
      left: 'to the left',
      right: 'to the right',
    }),
    pivotForward: quantity('pivot forward of the tank’s middle', 'length', 'mm', {
      tool: 'tape',
      minimum: -3,
      maximum: 3,
    }),
    pivotLeft: quantity('pivot left of the tank’s middle', 'length', 'mm', {
      tool: 'tape',
      minimum: -3,
      maximum: 3,
    }),

    combine: choice('a second sender is', { sum: 'in series: ohms add', mean: 'averaged by the gauge or a box' }),
    secondEmpty: quantity('second sender at the bottom stop', 'resistance', 'Ω', OHMS),
    secondFull: quantity('second sender at the top stop', 'resistance', 'Ω', OHMS),
    secondLow: quantity('second float at the bottom stop', 'length', 'mm', { ...HEIGHT, tool: 'tape' }),
    secondHigh: quantity('second float at the top stop', 'length', 'mm', { ...HEIGHT, tool: 'tape' }),
  },
  {
    float: [
      'floatLow',
      'floatHigh',
      'armLength',
      'pivotHeight',
      'stopDown',
      'stopUp',
      'floatRadius',
      'wantLow',
      'wantHigh',
      'armSide',
      'pivotForward',
      'pivotLeft',
    ],
  },
);

/** One reading while the arm is swept from the bottom stop to the top; an open circuit has no ohms. */
const sweepReadingSchema = z.strictObject({
  /** Share of the sweep, 0 bottom stop, 1 top stop. */
  share: z.number().min(0).max(1),
  ohms: measuredSchema({ kind: 'resistance', name: 'reading', unit: 'Ω', maximum: 1e5 }).optional(),
});
export type SweepReading = z.infer<typeof sweepReadingSchema>;

export const gaugeSchema = objectOf(gaugeProperties).extend({
  /** Upwards, then if wished down again. */
  sweep: z.array(sweepReadingSchema).max(200).optional(),
  sweepDown: z.array(sweepReadingSchema).max(200).optional(),
});
export type Gauge = z.infer<typeof gaugeSchema>;
