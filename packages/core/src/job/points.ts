import { z } from 'zod';
import { celsius, kPa } from '../units/quick.ts';
import { objectOf, quantity, rowOf, text } from '../fields/property.ts';

/** The conditions that strand a car, in the order of a drive. */
export const pointKeys = ['keyOn', 'idle', 'cruise', 'fullLoad', 'fullLoadHot', 'overrun', 'hotRestart'] as const;
export type PointKey = (typeof pointKeys)[number];

export const pointNames: Record<PointKey, string> = {
  keyOn: 'key-on prime',
  idle: 'idle',
  cruise: 'cruise',
  fullLoad: 'full load',
  fullLoadHot: 'full load, hot fuel, low voltage',
  overrun: 'overrun',
  hotRestart: 'hot restart',
};

/** What the fitter may set otherwise at a point; absent means as assumed for the job. */
export const pointConditions = {
  temperature: quantity('fuel temperature', 'temperature', '°C', { minimum: celsius(-50), maximum: celsius(90) }),
  voltage: quantity('system voltage', 'voltage', 'V', { minimum: 4, maximum: 60, likely: [9, 15] }),
  level: quantity('fuel level', 'fraction', '%', { maximum: 1 }),
  dirt: quantity('dirt factor of the filter', 'number', '', { minimum: 1, maximum: 20, likely: [1, 6] }),
};
const conditionsSchema = objectOf(pointConditions);
export type PointConditions = z.infer<typeof conditionsSchema>;

/** A point of the fitter's own. */
export const ownPointProperties = {
  label: text('name of the point', 40),
  load: quantity('share of full load', 'fraction', '%', { maximum: 1.5, likely: [0, 1] }),
  demand: quantity('fuel burnt', 'volumeFlow', 'L/h', {
    maximum: 3e-4,
    hint: 'Instead of a share of full load.',
  }),
  manifold: quantity('manifold pressure', 'pressure', 'kPa', { minimum: kPa(-101.325), maximum: kPa(600) }),
  ...pointConditions,
};
const ownPointSchema = rowOf(ownPointProperties);
export type OwnPoint = z.infer<typeof ownPointSchema>;

/** What differs from the job's usual conditions, point by point, and points of the fitter's own. */
export const pointsSchema = z.strictObject({
  ...(Object.fromEntries(pointKeys.map((key) => [key, conditionsSchema.optional()])) as Record<
    PointKey,
    z.ZodOptional<typeof conditionsSchema>
  >),
  own: z
    .array(ownPointSchema)
    .max(6)
    .refine(
      (own) => own.every((o) => !(pointKeys as readonly string[]).includes(o.id)),
      'one has the name of a usual point',
    )
    .optional(),
});
