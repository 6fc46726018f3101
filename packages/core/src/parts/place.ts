import type { z } from 'zod';
import { idSchema, objectOf, quantity, rowOf } from '../fields/property.ts';

const FARTHEST = 12; // m, along any axis: longer than what stands in a workshop

const axis = (name: string, other: string) =>
  quantity(name, 'length', 'mm', {
    tool: 'tape',
    minimum: -FARTHEST,
    maximum: FARTHEST,
    hint: `${other} is negative.`,
  });

/** A place as a tape tells it: from a point, or from the datum, so much rearward, to the left and up. */
export const placeProperties = {
  rearward: axis('rearward', 'Forward'),
  left: axis('left', 'To the right'),
  up: axis('up', 'Down'),
};
/** `from`: the point that it is measured from; absent: the datum. */
export const placeSchema = objectOf(placeProperties).extend({ from: idSchema.optional() });
export type Place = z.infer<typeof placeSchema>;

const turn = (name: string, most: number, hint: string) =>
  quantity(name, 'angle', '°', { minimum: -most, maximum: most, hint });

/** Which way something points: turned about the vertical from rearward, then tilted up. */
export const wayProperties = {
  heading: turn('points', 2 * Math.PI, '0° rearward, 90° left, 180° forward, −90° right.'),
  tilt: turn('tilted up', Math.PI / 2, '90° straight up, −90° straight down.'),
};

/** Where a port is, at its seat, and which way its axis points out of the part. */
export const portPlaceSchema = placeSchema.extend(objectOf(wayProperties).shape);
export type PortPlace = z.infer<typeof portPlaceSchema>;

/** A tape from a point to another that is known. */
export const tapeProperties = {
  far: quantity('tape reads', 'length', 'mm', { tool: 'tape', minimum: 0.001, maximum: 2 * FARTHEST }),
};
/** `to`: the point at its other end; absent: the datum. */
export const tapeSchema = rowOf(tapeProperties).extend({ to: idSchema.optional() });
