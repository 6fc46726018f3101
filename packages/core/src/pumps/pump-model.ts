import { compilePump } from '../hydraulics/pump-curve.ts';
import type { PumpTable } from '../parts/pump/pump-table.ts';
import { onceFor } from '../reckoning/once-for.ts';
import { pumpRows } from './pump-rows.ts';

const none: readonly PumpTable[] = [];
const modelOf = onceFor((tables: readonly PumpTable[]) => compilePump(pumpRows({ tables })));

/** A pump's curves, made once for its tables, or what is wrong with them. */
export const pumpModel = (pump: { readonly tables?: readonly PumpTable[] }): ReturnType<typeof compilePump> =>
  modelOf(pump.tables ?? none);
