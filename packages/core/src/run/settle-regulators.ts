import type { Fuel } from '../fluids/fuel.ts';
import type { Job } from '../job/job.ts';
import { isRegulator, type Part } from '../parts/kinds.ts';
import { inState, nominalPoints } from './operating-point.ts';
import { flowOut, type PreparedRun, type SolvedRun } from './prepared-run.ts';

const TURNS = 4; // the pump's flow moves little with a regulator's slope: two would do

type Regulator = Extract<Part, { kind: 'regulator' | 'filterRegulator' }>;

/**
 * Finds what passed each regulator when it was set, as people do it: pump held on, or at idle, reference hose off. The moment is
 * solved with what the last turn found, until they agree.
 */
export function settleRegulators(
  prepared: PreparedRun,
  job: Pick<Job, 'brief' | 'assumptions' | 'points' | 'survey'>,
  fuel: Fuel,
  solve: (point: ReturnType<typeof nominalPoints>[number]) => SolvedRun | undefined,
): void {
  if (prepared.setFlows) return;
  const found = new Map<string, number>();
  prepared.setFlows = found;
  const set = prepared.run.circuits.parts.filter(
    (p): p is Regulator => isRegulator(p) && p.setAt !== undefined && p.setAt !== 'spring',
  );
  if (set.length === 0) return;
  const points = nominalPoints(job, 0);
  const pointOf = (at: Regulator['setAt']) => {
    const point = points.find((p) => p.key === (at === 'idle' ? 'idle' : 'keyOn'))!;
    return inState(job, fuel, { ...point, manifold: 0 });
  };
  for (let turn = 0; turn < TURNS; turn++)
    for (const { id, setAt } of set) {
      const solved = solve(pointOf(setAt));
      if (!solved) continue;
      const spill = solved.run.spills.get(id);
      found.set(id, Math.max(0, spill === undefined ? flowOut(solved, id, 'out') : solved.flows[spill]!));
    }
}
