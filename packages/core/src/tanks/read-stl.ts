import { failure, success, type Result } from '../result.ts';

export type StlFault =
  | { code: 'notStl' }
  | { code: 'cutShort'; triangles: number; expected: number }
  | { code: 'badNumber'; line: number }
  | { code: 'tooMany'; triangles: number };

export const MOST_TRIANGLES = 2_000_000;
const LINE_FEED = 10;
const CARRIAGE_RETURN = 13; // alone in files of some old programs
const HEADER = 84; // bytes: 80 of comment, 4 of count
const RECORD = 50; // bytes a triangle: normal, three corners, attribute

/**
 * Corners of an STL file, ASCII or binary, times `scale` (m per unit of the file).
 *
 * Binary is told from ASCII by its length, which its own count gives: some binary files begin with "solid" too.
 */
export function readStl(bytes: Uint8Array, scale: number): Result<Float64Array, StlFault> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = bytes.length >= HEADER ? view.getUint32(80, true) : -1;
  if (count >= 0 && bytes.length === HEADER + RECORD * count) return readBinary(view, count, scale);
  const head = String.fromCharCode(...bytes.subarray(0, 512));
  if (/^\s*solid\b/.test(head) && /facet|endsolid/.test(head)) return readAscii(bytes, scale);
  const expected = Math.floor((bytes.length - HEADER) / RECORD);
  if (count > 0 && count <= MOST_TRIANGLES && expected >= 0 && expected < count)
    return failure({ code: 'cutShort', triangles: expected, expected: count });
  return failure({ code: 'notStl' });
}

function readBinary(view: DataView, count: number, scale: number): Result<Float64Array, StlFault> {
  if (count > MOST_TRIANGLES) return failure({ code: 'tooMany', triangles: count });
  const corners = new Float64Array(count * 9);
  for (let t = 0; t < count; t++)
    for (let k = 0; k < 9; k++) {
      const value = view.getFloat32(HEADER + RECORD * t + 12 + 4 * k, true);
      if (!Number.isFinite(value)) return failure({ code: 'badNumber', line: t + 1 });
      corners[9 * t + k] = value * scale;
    }
  return success(corners);
}

function readAscii(bytes: Uint8Array, scale: number): Result<Float64Array, StlFault> {
  const numbers: number[] = [];
  let [line, start] = [0, 0];
  for (let i = 0; i <= bytes.length; i++) {
    const isBreak = i === bytes.length || bytes[i] === LINE_FEED || bytes[i] === CARRIAGE_RETURN;
    if (!isBreak) continue;
    if (bytes[i] === LINE_FEED && bytes[i - 1] === CARRIAGE_RETURN) {
      start = i + 1; // the second half of one break
      continue;
    }
    line++;
    const text = String.fromCharCode(...bytes.subarray(start, Math.min(i, start + 300))).trim();
    start = i + 1;
    if (!text.startsWith('vertex')) continue;
    const values = text.split(/\s+/).slice(1).map(Number);
    if (values.length !== 3 || !values.every(Number.isFinite)) return failure({ code: 'badNumber', line });
    for (const value of values) numbers.push(value * scale);
    if (numbers.length > MOST_TRIANGLES * 9) return failure({ code: 'tooMany', triangles: numbers.length / 9 });
  }
  if (numbers.length === 0 || numbers.length % 9 !== 0)
    return failure({
      code: 'cutShort',
      triangles: Math.floor(numbers.length / 9),
      expected: Math.ceil(numbers.length / 9),
    });
  return success(Float64Array.from(numbers));
}
