import { failure, success, type Result } from '../result.ts';
import { mm } from '../units/quick.ts';
import { parseNumber } from '../units/parse-number.ts';
import { looks, type Look } from './thread.ts';
import type { PitchReading, ThreadReading } from './thread-reading.ts';

/** Largest file of readings, bytes, and most rows. */
export const LARGEST_READINGS_CSV = 1024 * 1024;
const MOST_READINGS = 5000;

/** What is wrong in one row, counted from 1 with the heading; row 0: with the file as a whole. */
export interface ReadingsCsvFault {
  readonly row: number;
  readonly message: string;
}
export interface NamedReading {
  readonly name: string;
  readonly reading: ThreadReading;
}

const needed = ['case', 'gender', 'diameter_read_mm', 'pitch_form'] as const;

/**
 * Readings of threads from the cells of a CSV file with the columns `case, gender, diameter_read_mm, pitch_form, crests,
 * crests_span_mm, count_length_mm, count, taper_seen, seat_seen`, in any order. All are taken, or none: every bad row is named.
 */
export function readReadingsCsv(
  cells: readonly (readonly string[])[],
): Result<NamedReading[], readonly ReadingsCsvFault[]> {
  const [heading, ...rows] = cells.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (!heading || rows.length === 0) return failure([{ row: 0, message: 'It needs a heading and a reading.' }]);
  if (rows.length > MOST_READINGS)
    return failure([{ row: 0, message: `It holds more than ${MOST_READINGS} readings.` }]);
  const place = new Map(heading.map((cell, i) => [cell.trim().toLowerCase(), i]));
  const missing = needed.filter((c) => !place.has(c));
  if (missing.length > 0) return failure([{ row: 1, message: `The heading has no ${missing.join(' and no ')}.` }]);
  const faults: ReadingsCsvFault[] = [];
  const readings: NamedReading[] = [];
  rows.forEach((row, i) => {
    const read = readRow((column) => row[place.get(column) ?? -1]?.trim() ?? '');
    if (read.ok) readings.push(read.value);
    else faults.push({ row: i + 2, message: read.fault });
  });
  return faults.length > 0 ? failure(faults) : success(readings);
}

function readRow(cell: (column: string) => string): Result<NamedReading, string> {
  const gender = cell('gender').toLowerCase();
  if (gender !== 'male' && gender !== 'female')
    return failure(`gender: “${cell('gender')}” is neither male nor female`);
  const diameter = positive(cell('diameter_read_mm'));
  if (diameter === undefined) return failure(`diameter_read_mm: “${cell('diameter_read_mm')}” is no diameter`);
  const pitch = pitchOf(cell);
  if (!pitch.ok) return pitch;
  const taper = cell('taper_seen').toLowerCase();
  if (!['', 'unknown', 'yes', 'no'].includes(taper)) return failure(`taper_seen: “${taper}” is not yes, no or unknown`);
  const seen = cell('seat_seen').toLowerCase();
  if (seen !== '' && seen !== 'unknown' && !Object.hasOwn(looks, seen))
    return failure(`seat_seen: “${seen}” is not ${Object.keys(looks).join(', ')} or unknown`);
  return success({
    name: cell('case'),
    reading: {
      gender,
      diameter: mm(diameter),
      pitch: pitch.value,
      ...(taper === 'yes' || taper === 'no' ? { taper: taper === 'yes' } : {}),
      ...(Object.hasOwn(looks, seen) ? { seen: seen as Look } : {}),
    },
  });
}

function pitchOf(cell: (column: string) => string): Result<PitchReading, string> {
  const numbers = (columns: readonly string[]) => {
    const bad = columns.find((c) => positive(cell(c)) === undefined);
    return bad === undefined
      ? success(columns.map((c) => positive(cell(c))!))
      : failure(`${bad}: “${cell(bad)}” is no number above 0`);
  };
  switch (cell('pitch_form').toLowerCase()) {
    case 'crests': {
      const read = numbers(['crests', 'crests_span_mm']);
      if (!read.ok) return read;
      const [crests, over] = read.value as [number, number];
      return crests < 2
        ? failure('crests: it takes two crests at least')
        : success({ by: 'crests', crests, over: mm(over) });
    }
    case 'count': {
      const read = numbers(['count', 'count_length_mm']);
      if (!read.ok) return read;
      const [count, over] = read.value as [number, number];
      return success({ by: 'count', count, over: mm(over) });
    }
    case '':
    case 'unknown':
      return success({ by: 'unknown' });
    default:
      return failure(`pitch_form: “${cell('pitch_form')}” is not crests, count or unknown`);
  }
}

function positive(text: string): number | undefined {
  const read = parseNumber(text);
  return read.ok && read.value.value > 0 ? read.value.value : undefined;
}
