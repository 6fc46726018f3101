import { failure, success, type Result } from '../result.ts';
import { degrees, mm } from '../units/quick.ts';
import type { HoseEnds } from './rod.ts';
import type { Vec } from './vector.ts';

/** What is wrong in one row, counted from 1 with the heading; row 0: with the file as a whole. */
export interface RouteCsvFault {
  readonly row: number;
  readonly message: string;
}
/** A tube has some dozen bends; more rows than these are another file. */
export const MOST_POINTS = 2000;
export const LARGEST_ROUTE_CSV = 1024 * 1024; // bytes

type Cells = readonly (readonly string[])[];
type Cell = (column: string) => string;

/** Rows under a heading that has the columns that are needed, each with its own row number. */
function rowsOf(cells: Cells, needed: readonly string[]): Result<{ row: number; cell: Cell }[], RouteCsvFault[]> {
  const numbered = cells
    .map((row, i) => ({ row: i + 1, cells: row }))
    .filter((r) => r.cells.some((c) => c.trim() !== ''));
  const [heading, ...rows] = numbered;
  if (!heading || rows.length === 0) return failure([{ row: 0, message: 'It needs a heading and rows.' }]);
  if (rows.length > MOST_POINTS) return failure([{ row: 0, message: `It holds more than ${MOST_POINTS} rows.` }]);
  const place = new Map(heading.cells.map((cell, i) => [cell.trim().toLowerCase(), i]));
  const missing = needed.filter((c) => !place.has(c.toLowerCase()));
  if (missing.length > 0)
    return failure([{ row: heading.row, message: `The heading has no ${missing.join(' and no ')}.` }]);
  return success(
    rows.map(({ row, cells: own }) => ({
      row,
      cell: (column) => own[place.get(column.toLowerCase()) ?? -1]?.trim() ?? '',
    })),
  );
}

const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i;
const numberIn = (text: string): number | undefined => {
  const value = NUMBER.test(text) ? Number(text.replace(',', '.')) : NaN;
  return Number.isFinite(value) ? value : undefined;
};

/** Reads every row with `read`, which names what it cannot take; all or none. */
function every<R>(
  cells: Cells,
  needed: readonly string[],
  read: (number: (column: string) => number, cell: Cell) => R,
): Result<R[], RouteCsvFault[]> {
  const rows = rowsOf(cells, needed);
  if (!rows.ok) return rows;
  const faults: RouteCsvFault[] = [];
  const values: R[] = [];
  for (const { row, cell } of rows.value) {
    const bad: string[] = [];
    const number = (column: string) => {
      const value = numberIn(cell(column));
      if (value === undefined) bad.push(`${column}: “${cell(column)}” is not a number`);
      return value ?? 0;
    };
    const value = read(number, cell);
    if (bad.length > 0) faults.push(...bad.map((message) => ({ row, message })));
    else values.push(value);
  }
  return faults.length > 0 ? failure(faults) : success(values);
}

/** Points of a centre line: columns `x, y, z` in mm. */
export const readPointsCsv = (cells: Cells): Result<Vec[], RouteCsvFault[]> =>
  every(cells, ['x', 'y', 'z'], (number): Vec => [mm(number('x')), mm(number('y')), mm(number('z'))]);

/** A bend table: `straight_mm`, `rotation_deg` (or `rotation_before_bend_deg`) and `bend_deg`; the last row has a straight alone. SI. */
export function readBendCsv(
  cells: Cells,
): Result<{ straights: number[]; rotations: number[]; bends: number[] }, RouteCsvFault[]> {
  const rotation = cells[0]?.some((c) => c.trim().toLowerCase() === 'rotation_deg')
    ? 'rotation_deg'
    : 'rotation_before_bend_deg';
  const rows = every(cells, ['straight_mm', rotation, 'bend_deg'], (number, cell) => {
    const isLast = ['', '0'].includes(cell('bend_deg')) && ['', '0'].includes(cell(rotation));
    return {
      straight: mm(number('straight_mm')),
      ...(isLast ? {} : { rotation: degrees(number(rotation)), bend: degrees(number('bend_deg')) }),
    };
  });
  if (!rows.ok) return rows;
  const early = rows.value.slice(0, -1).findIndex((r) => r.bend === undefined);
  if (early >= 0) return failure([{ row: early + 2, message: 'A row without a bend can only be the last.' }]);
  if (rows.value.at(-1)?.bend !== undefined)
    return failure([{ row: 0, message: 'The last row needs the straight behind the last bend, alone.' }]);
  const bent = rows.value.slice(0, -1);
  return success({
    straights: rows.value.map((r) => r.straight),
    rotations: bent.map((r) => r.rotation!),
    bends: bent.map((r) => r.bend!),
  });
}

export interface HoseCase {
  readonly name: string;
  readonly ends: HoseEnds;
  readonly length: number;
  readonly longest?: number;
}

/** Hoses between two ends: `case, A_x_mm … dirB_z, L_mm` and, if known, `L_max_mm`. SI. */
export const readHoseCsv = (cells: Cells): Result<HoseCase[], RouteCsvFault[]> => {
  const vectors = [
    'A_x_mm',
    'A_y_mm',
    'A_z_mm',
    'dirA_x',
    'dirA_y',
    'dirA_z',
    'B_x_mm',
    'B_y_mm',
    'B_z_mm',
    'dirB_x',
    'dirB_y',
    'dirB_z',
  ];
  return every(cells, ['case', ...vectors, 'L_mm'], (number, cell): HoseCase => {
    const place = (end: string): Vec => [
      mm(number(`${end}_x_mm`)),
      mm(number(`${end}_y_mm`)),
      mm(number(`${end}_z_mm`)),
    ];
    const way = (end: string): Vec => [number(`dir${end}_x`), number(`dir${end}_y`), number(`dir${end}_z`)];
    return {
      name: cell('case'),
      ends: { a: place('A'), dirA: way('A'), b: place('B'), dirB: way('B') },
      length: mm(number('L_mm')),
      ...(cell('L_max_mm') === '' ? {} : { longest: mm(number('L_max_mm')) }),
    };
  });
};
