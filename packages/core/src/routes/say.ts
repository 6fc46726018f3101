import type { Job } from '../job/job.ts';
import type { BendFault } from './bend-table.ts';
import { sayBendFault } from './bend-table.ts';
import type { ZoneFault } from './frame.ts';
import { sayHoseFault, type HoseFault } from './hose-shape.ts';
import type { PointFault } from './place-points.ts';
import { capital } from '../units/capital.ts';

/** Says a length as the reader wants it. */
export type SayLength = (metres: number) => string;

const pointName = ({ routes }: Pick<Job, 'routes'>, id: string): string => {
  const rows = routes?.points ?? [];
  const at = rows.findIndex((p) => p.id === id);
  if (at < 0) return 'a point that is gone';
  return rows[at]!.label?.trim() ? `“${rows[at]!.label}”` : `point ${at + 1}`;
};

/** Why a point has no place, in a sentence. */
export function sayPointFault(job: Pick<Job, 'routes'>, point: string, fault: PointFault, say: SayLength): string {
  const row = job.routes?.points?.find((p) => p.id === point);
  const tapeName = (id: string) => `the tape from ${nameOfFrom(job, row?.tapes?.find((t) => t.id === id)?.to)}`;
  switch (fault.code) {
    case 'unmeasured':
      return `Not measured yet: ${fault.axes.join(', ')}${row?.tapes?.length ? ', or as many tapes more' : ''}.`;
    case 'fromUnknown':
      return `It is measured from ${pointName(job, fault.from)}, which has no place yet.`;
    case 'circle':
      return 'It is measured from itself, over other points: one of them has to go from the datum.';
    case 'cannotClose':
      return `The tapes do not meet: ${tapeName(fault.tape)} is ${say(Math.abs(fault.by))} too ${fault.by > 0 ? 'long' : 'short'} at the best place. Measure it again.`;
    case 'twoPlaces': {
      const [a, b] = fault.places.map((p) => p.map(say).join(', '));
      return `The tapes allow two places: ${a} or ${b} (rearward, left, up). Say which is meant.`;
    }
    case 'unsettled':
      return 'The tapes do not settle it: take one from a point that lies to the side.';
  }
}
const nameOfFrom = (job: Pick<Job, 'routes'>, to: string | undefined): string =>
  to === undefined ? 'the datum' : pointName(job, to);

/** Why a zone has no room, in a sentence. */
export function sayZoneFault(job: Pick<Job, 'routes'>, fault: ZoneFault): string {
  switch (fault.code) {
    case 'unmeasured':
      return `Not given yet: ${{ kind: 'what it is', shape: 'its shape', radius: 'half across', a: 'its first corner or end', b: 'its other corner or end' }[fault.of]}.`;
    case 'fromUnknown':
      return `It is measured from ${pointName(job, fault.from)}, which has no place yet.`;
    case 'flat':
      return 'Its two corners lie in one plane: it takes no room. Give it its thickness.';
    case 'insideTank':
      return 'It lies wholly inside the tank: measure it again, or the tank.';
  }
}

/** Why a line cannot be laid so, in a sentence. */
export const sayLineFault = (fault: HoseFault | BendFault): string => {
  const said =
    fault.code === 'tooFewPoints' || fault.code === 'radius' || 'point' in fault
      ? sayBendFault(fault)
      : sayHoseFault(fault);
  return `${capital(said)}.`;
};
