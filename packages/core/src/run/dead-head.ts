import { pumpCurveAt } from '../hydraulics/pump-curve.ts';
import type { Job } from '../job/job.ts';
import { pumpRows } from '../pumps/pump-rows.ts';

/** Highest pressures that the pumps can make, at no flow: everything upstream of a regulator must survive them. Pa gauge. */
export interface DeadHead {
  /** At the outlet of the pumps that feed the engine. */
  readonly pressure: number;
  /** At each component of the supply, with every line behind it blocked. */
  readonly at: Readonly<Record<string, number>>;
  readonly beyondTable: boolean;
  readonly relieved: boolean;
}

/**
 * Pumps in series add up, pumps side by side reach what the strongest does, a relief valve limits its own, and a swirl
 * pot, open to the tank, starts again from nothing.
 *
 * @param voltage - V at the pumps.
 */
export function deadHeads(job: Job, voltage: number): DeadHead {
  const at: Record<string, number> = {};
  let before = 0; // at the inlet of the present group of pumps
  let reached = 0;
  let beyondTable = false;
  let relieved = false;
  for (const component of job.run.supply) {
    if (component.kind === 'swirlPot') before = reached = 0;
    if (component.kind === 'pump') {
      const curve = pumpCurveAt(pumpRows(component), voltage);
      if (!component.beside) {
        before = reached;
        reached = 0;
        beyondTable = relieved = false;
      }
      if (curve.ok) {
        const relief = component.reliefPressure?.si;
        const own = before + Math.min(curve.value.deadHead, relief ?? Infinity);
        if (own > reached) {
          reached = own;
          beyondTable = curve.value.deadHeadBeyondTable && relief === undefined;
          relieved = relief !== undefined;
        }
      }
    }
    at[component.id] = reached;
  }
  return { pressure: reached, at, beyondTable, relieved };
}
