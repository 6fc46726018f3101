import { failure, type Result } from '../result.ts';
import { parseNumber } from '../units/parse-number.ts';
import { findUnit, toSi, unitById, type Unit } from '../units/unit-table.ts';
import { strappingTable, type StrappingFault, type StrappingTable } from './strapping-table.ts';

/** Of a file, which may be read finer than a job keeps it. */
export const LARGEST_STRAPPING_CSV = 200 * 1024; // bytes
const MOST_STRAPPING_ROWS = 4000;
const LONGEST_UNIT = 40; // characters with its brackets: a heading of a hundred thousand brackets is not searched for one

export type StrappingCsvFault =
  | StrappingFault
  | { code: 'empty' }
  | { code: 'badNumber'; row: number; text: string }
  | { code: 'tooLarge'; row: number; text: string }
  | { code: 'negativeVolume'; row: number; text: string }
  | { code: 'tooManyRows' }
  | { code: 'unknownUnit'; text: string };

/**
 * A strapping table from the cells of a CSV file: level in the first column, volume in the second.
 *
 * A heading may name units (`level_mm`, `Volume (L)`); without one they are mm and L.
 */
export function readStrappingCsv(cells: readonly (readonly string[])[]): Result<StrappingTable, StrappingCsvFault> {
  const rows = cells.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (rows.length === 0) return failure({ code: 'empty' });
  if (rows.length > MOST_STRAPPING_ROWS + 1) return failure({ code: 'tooManyRows' });
  let [levelUnit, volumeUnit]: [Unit, Unit] = [unitById('mm'), unitById('L')];
  const hasHeading = !parseNumber(rows[0]![0] ?? '').ok;
  if (hasHeading) {
    const named = [
      headingUnit(rows[0]![0] ?? '', 'length', levelUnit),
      headingUnit(rows[0]![1] ?? '', 'volume', volumeUnit),
    ] as const;
    for (const unit of named) if (typeof unit === 'string') return failure({ code: 'unknownUnit', text: unit });
    [levelUnit, volumeUnit] = named as readonly [Unit, Unit];
  }
  const read: { level: number; volume: number }[] = [];
  for (const [i, row] of rows.slice(hasHeading ? 1 : 0).entries()) {
    const [level, volume] = [parseNumber(row[0] ?? ''), parseNumber(row[1] ?? '')];
    for (const [j, read] of [level, volume].entries())
      if (!read.ok)
        return failure({ code: read.fault.code === 'tooLarge' ? 'tooLarge' : 'badNumber', row: i, text: row[j] ?? '' });
    if (!level.ok || !volume.ok) throw new RangeError('both were read');
    if (volume.value.value < 0) return failure({ code: 'negativeVolume', row: i, text: row[1]! });
    read.push({ level: toSi(level.value.value, levelUnit), volume: toSi(volume.value.value, volumeUnit) });
  }
  return strappingTable(read);
}

/** The unit that a heading names in brackets or after an underscore; the usual one when it names none; its text when unknown. */
function headingUnit(heading: string, kind: 'length' | 'volume', usual: Unit): Unit | string {
  const named = /[([]\s*([^)\]]+?)\s*[)\]]\s*$|_([^\s_]+)\s*$/.exec(heading.trim().slice(-LONGEST_UNIT));
  if (!named) return usual;
  const spelling = named[1] ?? named[2]!;
  const unit = findUnit(spelling, kind);
  return unit?.kind === kind ? unit : spelling;
}

/** The fault as the end of a sentence about the file; rows are counted from 1, the heading not. */
export function describeStrappingFault(fault: StrappingCsvFault): string {
  switch (fault.code) {
    case 'badNumber':
      return `“${fault.text.slice(0, 40)}” in row ${fault.row + 1} is not a number.`;
    case 'tooLarge':
      return `“${fault.text.slice(0, 40)}” in row ${fault.row + 1} is larger than any number Endrel reckons with.`;
    case 'negativeVolume':
      return `“${fault.text.slice(0, 40)}” in row ${fault.row + 1} is less than nothing: a volume cannot be negative.`;
    case 'tooManyRows':
      return `it has more than ${MOST_STRAPPING_ROWS} rows: take every tenth.`;
    case 'volumeFalls':
      return `the volume falls in row ${fault.row + 1} although the level rises.`;
    case 'levelRepeats':
      return `the level of row ${fault.row + 1} is there twice.`;
    case 'unknownUnit':
      return `“${fault.text}” in the heading is not a unit Endrel knows.`;
    case 'empty':
    case 'tooFewRows':
      return 'it needs at least two rows of level and volume.';
  }
}
