import { failure, success, type Result } from '../result.ts';
import { inches, mm } from '../units/quick.ts';
import { parseNumber } from '../units/parse-number.ts';

/** Finest and coarsest pitch of a thread that a pipe or a fitting carries, m. */
const FINEST = mm(0.3);
const COARSEST = mm(4);

/** A pitch as people say it: `18 tpi`, `18 per inch`, `1.5 mm`, `1.5`; a bare whole number over 7 is threads per inch. */
export function readPitch(text: string): Result<number, string> {
  const [, number = '', unit = ''] =
    /^\s*([\d.,]+)\s*(tpi|per ?in(?:ch)?|threads?(?: per inch)?|mm)?\s*$/i.exec(text) ?? [];
  const read = parseNumber(number);
  if (!read.ok || !(read.value.value > 0)) return failure(`“${text}” is not a pitch; give it as 18tpi or 1.5mm`);
  const perInch = unit === '' ? read.value.value > 7 : unit.toLowerCase() !== 'mm';
  const pitch = perInch ? inches(1) / read.value.value : mm(read.value.value);
  if (pitch < FINEST || pitch > COARSEST)
    return failure(
      `“${text}” is ${Math.round(pitch * 1e5) / 100} mm from crest to crest: no fitting has such a thread`,
    );
  return success(pitch);
}
