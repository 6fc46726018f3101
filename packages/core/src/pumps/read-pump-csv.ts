import { pumpTableFault } from '../hydraulics/pump-curve.ts';
import { pumpTableFields, type PumpTable } from './pump-table.ts';
import type { Measured } from '../fields/measured.ts';
import { failure, success, type Result } from '../result.ts';
import type { QuantityField } from '../units/field.ts';
import { parseQuantity } from '../units/parse-quantity.ts';
import { findUnit } from '../units/unit-table.ts';
import { pumpRows } from './pump-rows.ts';

/** What is wrong in one row of the file, counted from 1 with heading and units; row 0: with the file as a whole. */
export interface PumpCsvFault {
  readonly row: number;
  readonly message: string;
}

const columns = ['voltage', 'pressure', 'flow', 'current'] as const;
type Column = (typeof columns)[number];
const MOST_TABLES = 6;
const MOST_ROWS = 40;

/**
 * Pump tables from the cells of a CSV file: a heading that names `voltage`, `pressure`, `flow` and, if known, `current`, in any
 * order; a row of units; then a row for each reading. All of it is taken, or none: every bad row is named.
 */
export function readPumpCsv(cells: readonly (readonly string[])[]): Result<PumpTable[], PumpCsvFault[]> {
  const [heading, unitRow, ...rows] = cells.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (!heading || !unitRow || rows.length === 0)
    return failure([{ row: 0, message: 'It needs a heading, a row of units, and readings.' }]);
  const place = new Map(heading.map((cell, i) => [cell.trim().toLowerCase(), i]));
  const missing = columns.filter((c) => c !== 'current' && !place.has(c));
  if (missing.length > 0) return failure([{ row: 1, message: `The heading has no ${missing.join(' and no ')}.` }]);
  const faults: PumpCsvFault[] = [];
  const fields = {} as Record<Column, QuantityField>;
  for (const column of columns) {
    const at = place.get(column);
    if (at === undefined) continue;
    const field: QuantityField = pumpTableFields[column];
    const unit = findUnit(unitRow[at]?.trim() ?? '', field.kind);
    if (unit?.kind === field.kind) fields[column] = { ...field, unit: unit.id };
    else faults.push({ row: 2, message: `“${unitRow[at] ?? ''}” is not a unit of ${column}.` });
  }
  if (faults.length > 0) return failure(faults);
  const tables: {
    voltage: Measured;
    rows: { pressure: Measured; flow: Measured; current?: Measured; line: number }[];
  }[] = [];
  rows.forEach((row, i) => {
    const line = i + 3;
    const read: Partial<Record<Column, Measured>> = {};
    for (const column of columns) {
      const text = row[place.get(column) ?? -1]?.trim() ?? '';
      if (column === 'current' && text === '') continue;
      const value = parseQuantity(text, fields[column]);
      if (!value.ok) return void faults.push({ row: line, message: `${column}: ${value.fault.message}` });
      read[column] = { si: value.value.si, unit: value.value.unit };
    }
    let table = tables.find((t) => t.voltage.si === read.voltage!.si);
    if (!table) tables.push((table = { voltage: read.voltage!, rows: [] }));
    table.rows.push({
      pressure: read.pressure!,
      flow: read.flow!,
      ...(read.current ? { current: read.current } : {}),
      line,
    });
  });
  if (tables.length > MOST_TABLES) faults.push({ row: 0, message: `It has more than ${MOST_TABLES} voltages.` });
  if (tables.some((t) => t.rows.length > MOST_ROWS))
    faults.push({ row: 0, message: `It has more than ${MOST_ROWS} readings at one voltage.` });
  if (faults.length === 0)
    for (const table of tables) {
      const fault = pumpTableFault(pumpRows({ tables: [table] }));
      if (fault && 'row' in fault)
        faults.push({ row: table.rows[fault.row]!.line, message: 'Flow must fall as pressure rises at one voltage.' });
      else if (fault) faults.push({ row: table.rows[0]!.line, message: 'Each voltage needs two readings at least.' });
    }
  if (faults.length > 0) return failure(faults);
  return success(
    tables.map(({ voltage, rows: readings }) => ({
      voltage,
      rows: readings.map(({ line: _line, ...reading }) => reading),
    })),
  );
}
