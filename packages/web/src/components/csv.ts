import Papa from 'papaparse';
import { inOneLine } from '@endrel/core/job/text';

const NUMBER = /^[+-]?\d+([.,]\d+)?(e[+-]?\d+)?$/i;
const FORMULA = /^\s*[=+\-@|\t\r]/;

/** One cell: in one line, and no formula to whatever opens it. Numbers stay as they are, so that they can be read back. */
export const safeCell = (cell: string | number): string => {
  const text = inOneLine(String(cell));
  return FORMULA.test(text) && !NUMBER.test(text.trim()) ? `'${text}` : text;
};

/** A CSV file as text; the heading is its first row. */
export const csvText = (rows: readonly (readonly (string | number)[])[]): string =>
  Papa.unparse(rows.map((row) => row.map(safeCell)));
