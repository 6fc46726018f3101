import { z } from 'zod';
import { idSchema, ownName } from '../fields/property.ts';
import { lineSchema } from '../fields/text.ts';

/** Fields that acts are made of. */
export const id = idSchema;
export const key = ownName(40);
export const title = lineSchema(120);
/** Anything, or nothing: the field is then cleared. */
export const value = z.unknown().optional();
export const path = z
  .array(z.union([ownName(120), z.number().int().min(0)]))
  .min(1)
  .max(8)
  .readonly();
/** Fields of parts or joints, several at once. */
export const changes = z.array(z.strictObject({ id, key, value })).min(1).max(200).readonly();
