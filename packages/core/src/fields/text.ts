import { z } from 'zod';
import '../schema-words.ts';

// eslint-disable-next-line no-control-regex -- control characters other than tab and line breaks are what is refused
const controls = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;
const loneSurrogate = /\p{Surrogate}/u; // half of a pair
const breaks = /[\n\r\u0085\u2028\u2029]/;

/** Whether text can be stored and shown: whole characters, and no control characters but tabs and line breaks. */
export const isStorable = (text: string): boolean => !controls.test(text) && !loneSurrogate.test(text);

/** Text in one line: what a line break parted is parted by a space. */
export const inOneLine = (text: string): string => text.replace(/\s*[\n\r\u0085\u2028\u2029]+\s*/g, ' ');

/** Text that a person typed, of limited length and storable. It may run over several lines. */
export const textSchema = (longest: number) =>
  z
    .string()
    .max(longest, `is longer than ${longest} characters`)
    .refine(isStorable, 'holds characters that cannot be stored');

/** The same in one line. A document of before that breaks it is mended when it is read: see `mendedLines`. */
export const lineSchema = (longest: number) =>
  textSchema(longest).refine((text) => !breaks.test(text), {
    error: 'is one line: it holds a line break',
    params: { isOneLine: true },
  });

/** A copy of a document in which the texts that its schema wants in one line are; undefined where it complains of none. */
export function mendedLines<D>(document: D, issues: readonly z.core.$ZodIssue[]): D | undefined {
  const broken = issues.filter((issue) => issue.code === 'custom' && issue.params?.isOneLine === true);
  if (broken.length === 0) return undefined;
  const mended = JSON.parse(JSON.stringify(document)) as D;
  for (const { path } of broken) {
    type Step = Record<PropertyKey, unknown>;
    const holder = path.slice(0, -1).reduce<Step>((at, key) => at[key] as Step, mended as Step);
    const key = path.at(-1)!;
    holder[key] = inOneLine(holder[key] as string);
  }
  return mended;
}

/** Where in parsed JSON a text or a name stands that cannot be stored; undefined where there is none. */
export function unstorableAt(
  value: unknown,
  path: readonly (string | number)[] = [],
): readonly (string | number)[] | undefined {
  if (typeof value === 'string') return isStorable(value) ? undefined : path;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, held] of Object.entries(value)) {
    if (!isStorable(key)) return path;
    const found = unstorableAt(held, [...path, Array.isArray(value) ? Number(key) : key]);
    if (found) return found;
  }
  return undefined;
}
