import { z } from 'zod';
import { measuredSchema } from '../fields/measured.ts';
import type { QuantityField } from '../units/field.ts';

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
