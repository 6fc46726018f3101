import Papa from 'papaparse';
import { inOneLine } from '@endrel/core/fields/text';

const NUMBER = /^[+-]?\d+([.,]\d+)?(e[+-]?\d+)?$/i;
// the wide forms count too, and what cannot be seen before a sign hides nothing from a spreadsheet
const SIGNS = '=+\\-@|＝＋－＠';
const FORMULA = new RegExp(`^\\s*[${SIGNS}\t\r]`);
/** Where a spreadsheet parts cells by semicolons or tabs, what follows one begins a cell. */
const FORMULA_INSIDE = new RegExp(`([;\\t]\\s*)([${SIGNS}])`, 'g');
const UNSEEN = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2064\ufeff]/g;

/** One cell: in one line, and no formula to whatever opens it. Numbers stay as they are, so that they can be read back. */
export const safeCell = (cell: string | number): string => {
  const text = inOneLine(String(cell)).replace(UNSEEN, '').replace(FORMULA_INSIDE, "$1'$2");
  return FORMULA.test(text) && !NUMBER.test(text.trim()) ? `'${text}` : text;
};

/** A CSV file as text; the heading is its first row. */
export const csvText = (rows: readonly (readonly (string | number)[])[]): string =>
  Papa.unparse(rows.map((row) => row.map(safeCell)));
