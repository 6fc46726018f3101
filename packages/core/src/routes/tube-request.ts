import { z } from 'zod';
import { lineSchema } from '../fields/text.ts';

const metres = z.number().min(-100).max(100);
const turn = z.number().min(-7).max(7); // rad
const MOST_BENDS = 60;
/** A bent tube, to be printed: strips that wrap round it at true size, and its views. SI. */
export const tubeRequestSchema = z.strictObject({
  title: lineSchema(200),
  outside: z.number().min(0.002).max(0.05),
  radius: z.number().min(0.002).max(1),
  /** What is cut off the stock. */
  cut: z.number().min(0.01).max(30),
  table: z
    .strictObject({
      straights: z
        .array(metres)
        .min(1)
        .max(MOST_BENDS + 1),
      rotations: z.array(turn).max(MOST_BENDS),
      bends: z.array(turn).max(MOST_BENDS),
    })
    .refine(
      (t) => t.straights.length === t.bends.length + 1 && t.rotations.length === t.bends.length,
      'has one straight more than bends',
    ),
  steps: z
    .array(z.strictObject({ bend: z.number().int().min(0), mark: metres, turn, angle: turn, setTo: turn }))
    .max(MOST_BENDS),
  /** As it lies in the vehicle, where that is known. */
  corners: z
    .array(z.tuple([metres, metres, metres]))
    .min(2)
    .max(MOST_BENDS + 10)
    .optional(),
});
export type TubeRequest = z.infer<typeof tubeRequestSchema>;
