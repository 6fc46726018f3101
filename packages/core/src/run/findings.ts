import { fullLoadDemand, usualBsfc, type Demand } from '../engine/demand.ts';
import type { Fuel } from '../fluids/fuel.ts';
import { gaugeOutcome, type GaugeOutcome } from '../gauge/gauge-findings.ts';
import type { Job } from '../job/job.ts';
import { needsOf, type Need } from '../job/needs.ts';
import type { Value } from '../job/value.ts';
import { jointsOf, type Joint } from './joints.ts';
import { runFaults, type RunFault } from './run-fault.ts';
import { solveRun, type RunSolution } from './solve-run.ts';

/** Everything computed from a job. Rules, working, cards and drawings read from here and compute no physics of their own. */
export interface Findings {
  readonly job: Job;
  readonly needs: readonly Need[];
  readonly faults: readonly RunFault[];
  readonly joints: readonly Joint[];
  readonly fuel?: Fuel;
  readonly bsfc?: Value;
  readonly demand?: Demand;
  readonly solution?: RunSolution;
  readonly gauge: GaugeOutcome;
}

/** The fuel, once family and ethanol share are known. */
export function fuelOf(job: Job): Fuel | undefined {
  if (job.brief.fuel === 'diesel') return { family: 'diesel' };
  if (job.brief.fuel !== 'petrol' || job.brief.ethanol === undefined) return undefined;
  return { family: 'petrol', ethanol: job.brief.ethanol.si };
}

/** BSFC as given, or the top of the usual band for the aspiration. */
export function bsfcOf(job: Job): Value | undefined {
  if (job.brief.bsfc) return { si: job.brief.bsfc.si, source: 'chosen' };
  return job.brief.aspiration ? { si: usualBsfc[job.brief.aspiration], source: 'common practice' } : undefined;
}

export function findingsOf(job: Job): Findings {
  const needs = needsOf(job);
  const fuel = fuelOf(job);
  const bsfc = bsfcOf(job);
  const power = job.brief.power?.si;
  const demand = power !== undefined && bsfc && fuel ? fullLoadDemand(power, bsfc.si, fuel) : undefined;
  const faults = runFaults(job);
  const base = { job, needs, joints: jointsOf(job), fuel, bsfc, demand, gauge: gaugeOutcome(job) };
  if (faults.length > 0 || !demand || !fuel || needs.some((n) => n.blocksSolution)) return { ...base, faults };
  const solved = solveRun(job, fuel, demand.volumeFlow);
  return solved.ok ? { ...base, faults, solution: solved.value } : { ...base, faults: [solved.fault] };
}
