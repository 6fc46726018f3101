import type { Job } from '../job/job.ts';
import type { CandidateRow } from '../job/routes.ts';
import { portsOf } from '../parts/graph.ts';
import { measured } from '../fields/measured.ts';
import { isLine, kindOf, type Part } from '../parts/kinds.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { frameOf, type Frame } from '../routes/frame.ts';
import { distanceTo } from '../routes/shape.ts';
import { sub, type Vec } from '../routes/vector.ts';

/** What a place is worth for a part. SI; what cannot be told is absent. */
export interface Placing {
  readonly row: string;
  readonly part: string;
  readonly label: string;
  readonly at?: Vec;
  /** Over the tank's floor, and over its outlet. */
  readonly overFloor?: number;
  readonly overOutlet?: number;
  /** Line from and to it, led along the vehicle's axes. */
  readonly lines?: number;
  /** From the nearest thing that is hot. */
  readonly heat?: number;
  readonly isInDebris: boolean;
  readonly isInCabin: boolean;
  /** A hand and a spanner get there; absent while no such place is told of. */
  readonly isReached?: boolean;
  readonly joints: number;
  /** Solved with the lines as long as they would be. */
  readonly suctionMargin?: number;
  readonly railPressure?: number;
  readonly pumpMargin?: number;
}

/** Every place of a job that is compared, one after the other: each is a run to be solved. */
export function* placings(job: Job): Generator<Placing> {
  const frame = frameOf(job);
  for (const row of job.routes?.candidates ?? []) {
    const part = row.part === undefined ? undefined : job.parts[row.part];
    if (part) yield placingOf(job, frame, row, part);
  }
}

function placingOf(job: Job, frame: Frame, row: CandidateRow, part: Part): Placing {
  const place = frame.placeOf(row);
  const joints = Object.values(job.joints).filter((j) => j.a.part === part.id || j.b.part === part.id).length;
  const base = { row: row.id, part: part.id, label: row.label ?? '', joints };
  if (!place.ok) return { ...base, isInDebris: false, isInCabin: false };
  const at = place.value;
  const within = (kind: string) => frame.zones.some((z) => z.kind === kind && distanceTo(z.shape, at) <= 0);
  const hot = frame.zones.filter((z) => z.kind === 'hot').map((z) => distanceTo(z.shape, at));
  const floor = job.routes?.tankFloor?.si;
  const outlet = job.survey.tank.outletHeight?.si;
  const overFloor = floor === undefined ? undefined : at[2] - floor;
  const there = placedThere(job, frame, part, at, overFloor);
  const solution = findingsOf(there.job).solution;
  return {
    ...base,
    at,
    overFloor,
    overOutlet: overFloor === undefined || outlet === undefined ? undefined : overFloor - outlet,
    lines: there.lines,
    heat: hot.length > 0 ? Math.min(...hot) : undefined,
    isInDebris: within('debris'),
    isInCabin: within('cabin'),
    isReached: frame.zones.some((z) => z.kind === 'reach') ? within('reach') : undefined,
    suctionMargin: solution?.worstSuction?.result.suctionMargin,
    railPressure: solution?.points.fullLoad.railPressure,
    pumpMargin: solution?.margin?.margin,
  };
}

/** The job with a part moved: the lines on either side as long as they would be, and its height. */
function placedThere(
  job: Job,
  frame: Frame,
  part: Part,
  at: Vec,
  height: number | undefined,
): { job: Job; lines?: number } {
  const parts = { ...job.parts };
  const joints = { ...job.joints };
  let lines: number | undefined = 0;
  for (const { peer } of portsOf(job, part)) {
    const line = peer && job.parts[peer.part];
    if (!line || !isLine(line)) continue;
    if (height !== undefined) joints[peer.joint.id] = { ...peer.joint, height: measured(height, 'mm') };
    if (kindOf(line).isInTank?.(line)) continue;
    const far = frame.mouthOf(line.id, peer.port === 'in' ? 'out' : 'in');
    if (!far.ok) lines = undefined;
    else {
      const long = sub(far.value.at, at).reduce((sum, d) => sum + Math.abs(d), 0);
      if (lines !== undefined) lines += long;
      parts[line.id] = { ...line, length: measured(Math.min(Math.max(long, SHORTEST), LONGEST), 'mm') };
    }
  }
  if (part.kind === 'pump' && height !== undefined) parts[part.id] = { ...part, inletHeight: measured(height, 'mm') };
  // as it is measured on paper: what the routes say of where it is now does not count
  const { routes: _routes, ...rest } = job;
  return { job: { ...rest, parts, joints }, ...(lines === undefined ? {} : { lines }) };
}
const [SHORTEST, LONGEST] = [0.03, 15]; // m, as the fields of lines go
