import { z } from 'zod';
import { inOneLine, lineSchema } from '../fields/text.ts';
import type { Job } from '../job/job.ts';
import { isLine, partName, portTitle } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import type { JointFinding } from '../run/joints.ts';
import { heatZones } from '../heat/line-heat.ts';

const LONGEST = 90; // characters

/** One sticker or flag. */
export const labelSchema = z.strictObject({
  /** What is read from afar: FEED, RETURN, VENT, or the joint's number. */
  head: lineSchema(20),
  text: lineSchema(LONGEST),
  kind: z.enum(['feed', 'return', 'vent', 'joint']),
});
export type Label = z.infer<typeof labelSchema>;
/** More than the largest run has. */
export const MOST_LABELS = 1500;

/** Tags for both ends of every length of line, the vent, and a label with its number for either side of every joint. */
export function labelsOf(job: Job, joints: readonly JointFinding[]): Label[] {
  const run = circuitsOf(job);
  const zones = heatZones(run);
  const tags = run.parts
    .filter((p) => isLine(p) && zones.get(p.id) !== 'tank')
    .flatMap((part): Label[] => {
      const kind = run.lineOf(part.id) === 'supply' ? 'feed' : 'return';
      const text = `${kind === 'feed' ? 'to the engine' : 'to the tank'} · ${partName(part)} · ${job.name}`;
      return [0, 1].map(() => ({ head: kind.toUpperCase(), text, kind }));
    });
  const vent: Label[] =
    job.survey.vent || job.survey.tank.vent
      ? [0, 1].map(() => ({ head: 'VENT', text: `do not block · ${job.name}`, kind: 'vent' as const }))
      : [];
  const ports = joints
    .filter((j) => !j.opens)
    .flatMap((j): Label[] =>
      (['outlet', 'inlet'] as const).map((end) => ({
        head: String(j.number),
        text: portTitle(job.parts[j[end].part]!, j[end].port),
        kind: 'joint' as const,
      })),
    );
  return [...tags, ...vent, ...ports].map((label) => ({ ...label, text: inOneLine(label.text).slice(0, LONGEST) }));
}
