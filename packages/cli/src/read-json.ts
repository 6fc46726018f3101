import type { z } from 'zod';
import { BadInput } from './bad-input.ts';
import { readText } from './read-input.ts';

/** What a file holds as JSON. @throws BadInput */
export function parsedJson(file: string, text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new BadInput(`${file} is not JSON`);
  }
}

/** @param whole - what the file is, where no field of it is at fault. @throws BadInput with the first field that is. */
export function checkedValue<S extends z.ZodType>(file: string, value: unknown, schema: S, whole: string): z.infer<S> {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const issue = read.error.issues[0]!;
  throw new BadInput(`${file}: ${issue.path.join('.') || whole} ${issue.message}`);
}

/** A JSON file checked by a schema. @throws BadInput */
export const checkedJson = async <S extends z.ZodType>(
  file: string,
  most: number,
  schema: S,
  whole: string,
): Promise<z.infer<S>> => checkedValue(file, parsedJson(file, await readText(file, most)), schema, whole);
