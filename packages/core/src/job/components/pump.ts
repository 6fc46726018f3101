import { z } from 'zod';
import { bar, celsius, kPa } from '../../units/quick.ts';
import { gaugeArea, wireGauges, type WireGauge } from '../../wiring/wire.ts';
import { choice, flag, quantity, TYPICAL, type SpecialProperty } from '../property.ts';
import { measuredSchema } from '../measured.ts';
import type { QuantityField } from '../../units/field.ts';
import { defineComponent } from './define-component.ts';

export const pumpTableFields = {
  voltage: { kind: 'voltage', name: 'test voltage', unit: 'V', minimum: 1, maximum: 60, likely: [10, 15] },
  pressure: { kind: 'pressure', name: 'pressure', unit: 'kPa', maximum: 2e6 },
  flow: { kind: 'volumeFlow', name: 'flow', unit: 'L/h', maximum: 3e-4 * 10 },
  current: { kind: 'current', name: 'current', unit: 'A', maximum: 60 },
} as const satisfies Record<string, QuantityField>;

const rowSchema = z.strictObject({
  pressure: measuredSchema(pumpTableFields.pressure),
  flow: measuredSchema(pumpTableFields.flow),
  current: measuredSchema(pumpTableFields.current).optional(),
});

/** Flow and current against pressure at one voltage, as on a pump's data sheet or measured into a can. */
export const pumpTableSchema = z.strictObject({
  voltage: measuredSchema(pumpTableFields.voltage),
  rows: z.array(rowSchema).max(40),
});
export type PumpTable = z.infer<typeof pumpTableSchema>;

const tables: SpecialProperty<z.ZodArray<typeof pumpTableSchema>> = {
  type: 'pumpTable',
  name: 'flow table',
  hint: 'From the pump’s data sheet: flow, and current if given, at a few pressures and one or more voltages.',
  schema: z.array(pumpTableSchema).max(6),
};

const wires = Object.fromEntries(
  wireGauges.map((awg) => [`awg${awg}`, `${awg} AWG (${(gaugeArea(awg) * 1e6).toFixed(1)} mm²)`]),
) as Record<`awg${WireGauge}`, string>;

export const pump = defineComponent('pump', 'Pump', {
  place: choice('place', { inTank: 'in the tank', external: 'outside, in line' }, { needed: true }),
  inletHeight: quantity('inlet height', 'length', 'mm', {
    minimum: -3,
    maximum: 3,
    hint: 'Height of the pump’s inlet above the tank floor; below the floor is negative.',
  }),
  tables,
  checkValve: flag('check valve in the outlet', 'Holds the line full when the pump stops.'),
  reversed: flag('arrow points against the flow'),
  beside: flag('works beside the pump before it', 'Same inlet, same outlet: two or three pumps in one hanger.'),
  runs: choice('runs', {
    always: 'whenever the engine runs',
    onDemand: 'when the engine burns more than …',
    onBoost: 'when the boost is above …',
  }),
  startsAtDemand: quantity('starts when the engine burns', 'volumeFlow', 'L/h', { maximum: 3e-4, step: 10 }),
  startsAtBoost: quantity('starts at boost', 'pressure', 'kPa', { maximum: kPa(400) }),
  ownRelay: flag('has a relay and a fuse of its own'),
  drive: choice('driven by', {
    full: 'the system voltage',
    pwm: 'a pump controller (PWM) that holds a pressure',
  }),
  targetPressure: quantity('pressure that the controller holds', 'pressure', 'kPa', {
    maximum: bar(15),
    likely: [bar(2), bar(7)],
  }),
  targetReferenced: flag('the held pressure follows the manifold'),
  sensorExpected: choice('the controller expects its pressure sensor', {
    rail: 'on the rail',
    tank: 'near the tank',
  }),
  sensorShielded: flag('sensor wiring is shielded'),
  leastDuty: quantity('least duty of the controller', 'fraction', '%', {
    maximum: 1,
    typical: { si: 0.2, source: TYPICAL },
  }),
  reliefPressure: quantity('relief valve opens at', 'pressure', 'kPa', { maximum: 2e6 }),
  supplyWire: choice('supply wire', wires, {
    hint: 'From battery or relay to the pump. With all four, Endrel reckons the voltage at the pump.',
  }),
  supplyLength: quantity('supply wire length', 'length', 'm', { maximum: 15, likely: [0.3, 8] }),
  earthWire: choice('earth wire', wires),
  earthLength: quantity('earth wire length', 'length', 'm', { maximum: 15, likely: [0.1, 8] }),
  wireTemperature: quantity('wire temperature', 'temperature', '°C', {
    minimum: celsius(-50),
    maximum: celsius(150),
    typical: { si: celsius(60), source: TYPICAL },
  }),
  contacts: quantity('fuse, relay and contacts together', 'resistance', 'Ω', {
    maximum: 2,
    likely: [0.005, 0.1],
    typical: { si: 0.02, source: TYPICAL },
  }),
  fuse: quantity('fuse', 'current', 'A', { maximum: 100, likely: [5, 40] }),
});
