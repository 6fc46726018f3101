import type { PumpRows } from '../hydraulics/pump-curve.ts';
import type { PumpTable } from './pump-table.ts';

/** A pump's tables as plain numbers, whether it is on a run or in the library. */
export const pumpRows = (pump: { readonly tables?: readonly PumpTable[] }): PumpRows[] =>
  (pump.tables ?? []).map((table) => ({
    voltage: table.voltage.si,
    rows: table.rows.map((r) => ({ pressure: r.pressure.si, flow: r.flow.si, current: r.current?.si })),
  }));
