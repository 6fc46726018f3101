import type { ChainWants } from '../fittings/chain-search.ts';
import type { Fuel } from '../fluids/fuel.ts';
import { isClampedHose } from '../fittings/usual-port.ts';
import { pointKeys } from '../run/operating-point.ts';
import type { RunSolution } from '../run/solve-run.ts';
import type { Job } from '../job/job.ts';
import type { JointFinding } from '../run/joints.ts';
import { lastingMaterials } from '../ratings/material-fuel.ts';
import { kPa } from '../units/quick.ts';

/** Pressures are asked for in steps of this: chains do not change with a hair of it. */
const PRESSURE_STEP = kPa(50);

/** What the chain of a joint has to keep to: the fuel of the job, the pressure as the run was solved, clocking. */
export function jointWants(
  { outlet, inlet, id, joint }: Pick<JointFinding, 'outlet' | 'inlet' | 'id' | 'joint'>,
  known: { readonly fuel?: Fuel; readonly solution?: RunSolution; readonly job?: Pick<Job, 'materials'> },
): ChainWants {
  // clamped hose is turned as it likes before its clamp is drawn up; all else has to be pointed
  const turns = [outlet, inlet].some((end) => end.fitting && isClampedHose(end.fitting));
  const highest = jointPressure(id, known.solution);
  return {
    ...(known.fuel ? { materials: lastingMaterials(known.fuel, known.job?.materials) } : {}),
    ...(highest === undefined ? {} : { pressure: Math.ceil(highest / PRESSURE_STEP) * PRESSURE_STEP }),
    ...(turns ? {} : { swivel: true }),
    ...(joint.turn ? { angle: joint.turn.si } : {}),
    ...(joint.leastBore ? { minimumBore: joint.leastBore.si } : {}),
    ...(joint.room ? { maximumLength: joint.room.si } : {}),
  };
}

/** Highest pressure at a joint while the run works, Pa gauge; undefined while it is not solved. */
export function jointPressure(joint: string, solution: RunSolution | undefined): number | undefined {
  const at = pointKeys.flatMap((key) => solution?.points[key]?.joints[joint]?.pressure ?? []);
  return at.length === 0 ? undefined : Math.max(0, ...at);
}
