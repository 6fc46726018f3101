import type { PumpRows } from '../hydraulics/pump-curve.ts';
import type { ComponentOf } from '../job/component.ts';

/** A pump's tables as plain numbers. */
export const pumpRows = (component: ComponentOf<'pump'>): PumpRows[] =>
  (component.tables ?? []).map((table) => ({
    voltage: table.voltage.si,
    rows: table.rows.map((r) => ({ pressure: r.pressure.si, flow: r.flow.si, current: r.current?.si })),
  }));
