import type { PumpTable } from './pump-table.ts';
import { fromSi, unitById } from '../units/unit-table.ts';

/** The cells of a pump's CSV file: heading, units, then a row for each reading; what `readPumpCsv` reads back. */
export function pumpCsvCells(tables: readonly PumpTable[]): string[][] {
  const withCurrent = tables.some((t) => t.rows.some((r) => r.current !== undefined));
  const cell = (si: number, unit: string) => String(Number(fromSi(si, unitById(unit)).toPrecision(9)));
  return [
    ['voltage', 'pressure', 'flow', ...(withCurrent ? ['current'] : [])],
    ['V', 'kPa', 'L/h', ...(withCurrent ? ['A'] : [])],
    ...tables.flatMap((table) =>
      table.rows.map((r) => [
        cell(table.voltage.si, 'V'),
        cell(r.pressure.si, 'kPa'),
        cell(r.flow.si, 'L/h'),
        ...(withCurrent ? [r.current ? cell(r.current.si, 'A') : ''] : []),
      ]),
    ),
  ];
}
