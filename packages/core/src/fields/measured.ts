import { z } from 'zod';
import { lineSchema } from './text.ts';
import type { QuantityField } from '../units/field.ts';
import { unitById, unitsOf, type Unit } from '../units/unit-table.ts';

/** A value that a person measured or chose: SI for computing, and the unit and words it was given in. */
export interface Measured {
  si: number;
  unit: string;
  typed?: string;
  /** How far the reading may be off, SI, where the fitter said so: `230 mm ±1`. */
  error?: number;
  /** Measured twice: both takes are kept, and `si` is their mean. */
  takes?: [Take, Take];
}
export interface Take {
  si: number;
  unit: string;
  typed?: string;
  /** How far the reading may be off, SI, where the fitter said so: `230 mm ±1`. */
  error?: number;
}

/** Both takes as one value; a first take alone when there is no second. */
export const ofTakes = (first: Take, second?: Take): Measured =>
  second ? { si: (first.si + second.si) / 2, unit: first.unit, takes: [first, second] } : first;

/** How far two takes lie apart. */
export const spreadOf = (value: Measured): number | undefined =>
  value.takes && Math.abs(value.takes[0].si - value.takes[1].si);

/** The schema of one quantity field: refuses what the field calls impossible. Absent means unknown. */
export function measuredSchema(field: QuantityField): z.ZodType<Measured> {
  const own: Unit = unitById(field.unit);
  const ids = unitsOf(field.kind).map((u) => u.id);
  const minimum = field.minimum ?? 0;
  const limit = (si: number) => `${Number(((si - (own.offset ?? 0)) / own.factor).toPrecision(6))} ${own.label}`.trim();
  let si = z.number({ error: 'must be a number in SI' });
  if (minimum >= 0) si = si.min(0, { error: `“${field.name}” cannot be negative`, abort: true });
  if (minimum !== 0) si = si.min(minimum, `“${field.name}” cannot be under ${limit(minimum)}`);
  if (field.maximum !== undefined) si = si.max(field.maximum, `“${field.name}” cannot be over ${limit(field.maximum)}`);
  const take = {
    si,
    unit: z.enum(ids, { error: `is not a unit of ${field.kind}` }),
    typed: lineSchema(60).optional(),
    error: z.number().min(0, 'a reading error cannot be negative').optional(),
  };
  return z
    .strictObject({ ...take, takes: z.tuple([z.strictObject(take), z.strictObject(take)]).optional() })
    .refine(
      ({ si: mean, takes }) => !takes || Math.abs((takes[0].si + takes[1].si) / 2 - mean) <= 1e-9 * Math.abs(mean),
      {
        path: ['takes'],
        error: 'must have the value as their mean',
      },
    );
}

/** A measured value from SI, for demo jobs, cures and tests. */
export const measured = (si: number, unit: string): Measured => ({ si, unit });
