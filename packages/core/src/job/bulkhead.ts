import { z } from 'zod';
import { dashSizes } from '../units/dash-size.ts';
import { mm } from '../units/quick.ts';
import { choice, quantity, rowOf, text } from '../fields/property.ts';

const dashes = dashSizes.map((dash) => `−${dash}`);

/** One of several hose ends that go through one wall or sit on one body, and where it sits there. */
export const bulkheadEndProperties = {
  label: text('end', 60),
  size: choice('hose end', Object.fromEntries(dashes.map((d) => [d, d])) as Record<string, string>),
  hexagon: quantity('across flats', 'length', 'mm', {
    tool: 'calipers',
    minimum: mm(5),
    maximum: mm(80),
    hint: 'Of the widest that a spanner goes on; unknown: typical of the size.',
  }),
  along: quantity('to the right', 'length', 'mm', { tool: 'tape', minimum: -1, maximum: 1, hint: 'Of the first end.' }),
  across: quantity('up', 'length', 'mm', { tool: 'tape', minimum: -1, maximum: 1 }),
};
export const bulkheadSchema = z.array(rowOf(bulkheadEndProperties)).max(12, 'holds more than twelve ends');
export type BulkheadEnd = z.infer<typeof bulkheadSchema>[number];
