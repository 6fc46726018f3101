import { failure, success, type Result } from '../result.ts';

export type NumberRefusal =
  | { code: 'empty' }
  | { code: 'notANumber'; text: string }
  | { code: 'zeroDenominator'; text: string }
  | { code: 'tooLarge'; text: string }
  | { code: 'ambiguousComma'; text: string };

/** A number as typed at the bench, and whether it was written as a fraction of an inch would be. */
export interface TypedNumber {
  readonly value: number;
  readonly fraction: boolean;
  /** A whole and a fraction that is more than one: `9 17/16`. */
  readonly isImproper?: boolean;
}

/** What is said of a number that is none any more. */
export const tooLargeSentence = (text: string): string => `“${text}” is larger than any number Endrel reckons with.`;

const glyphs: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** Brings the typographic variants that phones and copies produce to plain ASCII. */
export const plainText = (text: string): string =>
  text
    .normalize('NFC')
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (g) => ` ${glyphs[g]}`)
    .replace(/[−–—]/g, '-')
    .replace(/[\u2044∕]/g, '/')
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const DECIMAL = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i;
const FRACTION = /^([+-]?)(\d+)\/(\d+)$/;
const MIXED = /^([+-]?)(\d+)[ -](\d+)\/(\d+)$/;

/**
 * Reads `9 1/16`, `9-1/16`, `3/8`, `2.5`, `2,5`, `1e-3`. A comma before exactly three digits is refused, since it may
 * be a decimal sign or a thousands mark.
 */
export function parseNumber(raw: string): Result<TypedNumber, NumberRefusal> {
  const text = plainText(raw);
  if (text === '') return failure({ code: 'empty' });
  const mixed = MIXED.exec(text);
  const simple = FRACTION.exec(text);
  if (mixed || simple) {
    const [sign, whole, top, bottom] = mixed
      ? [mixed[1], Number(mixed[2]), Number(mixed[3]), Number(mixed[4])]
      : [simple![1], 0, Number(simple![2]), Number(simple![3])];
    if (bottom === 0) return failure({ code: 'zeroDenominator', text });
    const value = (sign === '-' ? -1 : 1) * (whole + top / bottom);
    return Number.isFinite(value)
      ? success({ value, fraction: true, ...(mixed && top >= bottom ? { isImproper: true } : {}) })
      : failure({ code: 'tooLarge', text });
  }
  if (!DECIMAL.test(text)) return failure({ code: 'notANumber', text });
  if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(text)) return failure({ code: 'ambiguousComma', text });
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? success({ value, fraction: false }) : failure({ code: 'tooLarge', text });
}
