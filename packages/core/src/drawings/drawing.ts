import { z } from 'zod';
import { lineSchema } from '../fields/text.ts';

const MOST_SHAPES = 5000;
const MOST_POINTS = 5000;
const FURTHEST = 1e6; // units from the origin: what lies further is a slip, and no printer could show it

const coordinate = z.number().min(-FURTHEST).max(FURTHEST);
const size = z.number().positive().max(FURTHEST);
const pointSchema = z.strictObject({ x: coordinate, y: coordinate });
const fill = z.enum(['ink', 'paper']).optional();
const weight = size.optional();

/** One stroke or word. y runs down the sheet; what is not filled lets through what lies under it. */
export const shapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('path'),
    points: z.array(pointSchema).min(2).max(MOST_POINTS),
    weight: size,
    /** Lengths of strokes and gaps by turns. */
    dash: z
      .string()
      .regex(/^\d+(\.\d+)?( \d+(\.\d+)?){1,7}$/)
      .optional(),
  }),
  z.strictObject({ kind: z.literal('box'), x: coordinate, y: coordinate, width: size, height: size, weight, fill }),
  z.strictObject({
    kind: z.literal('circle'),
    x: coordinate,
    y: coordinate,
    radius: size,
    weight,
    fill,
    dash: z
      .string()
      .regex(/^\d+(\.\d+)?( \d+(\.\d+)?){1,7}$/)
      .optional(),
  }),
  z.strictObject({
    kind: z.literal('text'),
    x: coordinate,
    y: coordinate,
    text: lineSchema(300),
    size,
    anchor: z.enum(['start', 'middle', 'end']),
    bold: z.boolean().optional(),
  }),
]);
export type Shape = z.infer<typeof shapeSchema>;
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** What is drawn of one thing, so that it can be pointed at. */
const groupSchema = z.strictObject({ id: lineSchema(100), shapes: z.array(shapeSchema).max(MOST_SHAPES) });

/** A drawing as data: the page, the printer and a file draw the same. */
export const drawingSchema = z.strictObject({
  title: lineSchema(300),
  /** The part of the plane that is shown, in its own units. */
  left: coordinate,
  top: coordinate,
  width: size,
  height: size,
  /** At true size a unit is a millimetre on the sheet; else the drawing is fitted to it. */
  isTrueSize: z.boolean(),
  groups: z.array(groupSchema).max(MOST_SHAPES),
});
export type Drawing = z.infer<typeof drawingSchema>;
export type ShapeGroup = Drawing['groups'][number];
