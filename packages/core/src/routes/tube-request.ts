import { z } from 'zod';
import { lineSchema } from '../fields/text.ts';
import type { RoutedLine } from './lines.ts';

const metres = z.number().min(-100).max(100);
const turn = z.number().min(-7).max(7); // rad
const MOST_BENDS = 60;
const LONGEST_TITLE = 200;
/** m of tube that strips are printed for. */
export const LONGEST_CUT = 30;
/** A bent tube, to be printed: strips that wrap round it at true size, and its views. SI. */
export const tubeRequestSchema = z.strictObject({
  title: lineSchema(LONGEST_TITLE),
  outside: z.number().min(0.002).max(0.05),
  radius: z.number().min(0.002).max(1),
  /** What is cut off the stock. */
  cut: z.number().min(0.01).max(LONGEST_CUT),
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

/** What is printed of a routed tube; undefined while it cannot be bent. */
export function tubeRequestOf(title: string, { radius, tube }: RoutedLine): TubeRequest | undefined {
  const { table, bench, laid, bendRadius } = tube ?? {};
  if (!table || !bench || bendRadius === undefined) return undefined;
  const { straights, rotations, bends } = table;
  return {
    title: title.slice(0, LONGEST_TITLE),
    outside: 2 * radius,
    radius: bendRadius,
    cut: bench.cut,
    table: { straights: [...straights], rotations: [...rotations], bends: [...bends] },
    steps: [...bench.steps],
    ...(laid ? { corners: laid.corners.map(([x, y, z]): [number, number, number] => [x, y, z]) } : {}),
  };
}
