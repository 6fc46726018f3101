import type { z } from 'zod';
import { InvalidError } from '../errors.ts';

/** A request as its schema has it. @throws InvalidError that names each field. */
export function readRequest<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const issues = read.error.issues.map((issue) => ({ field: issue.path.join('.'), message: issue.message }));
  const { field, message } = issues[0]!;
  throw new InvalidError(`The request is not understood: ${field ? `${field} ` : ''}${message}.`, issues);
}
