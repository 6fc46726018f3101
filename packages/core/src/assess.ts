import { applyAct } from './job/acts/apply-act.ts';
import type { Act } from './job/acts/act.ts';
import type { Job } from './job/job.ts';
import { snagsOf } from './checks/snags.ts';
import type { Snag } from './checks/snag.ts';
import { findingsOf, type Findings } from './run/findings.ts';

/** All that Endrel has to say about a job. Plain data, so that it can cross from a worker. */
export interface Assessment {
  readonly findings: Findings;
  readonly snags: readonly Snag[];
}

export function assess(job: Job): Assessment {
  const findings = findingsOf(job);
  return { findings, snags: snagsOf(findings) };
}

/** What an act would change, for a cure's button to show before it is pressed. SI. */
export interface Preview {
  readonly cured: readonly string[];
  readonly caused: readonly string[];
  /** Rail pressure at full load, before and after. */
  readonly railBefore?: number;
  readonly railAfter?: number;
  readonly marginBefore?: number;
  readonly marginAfter?: number;
}

export function previewAct(job: Job, act: Act): Preview {
  const [before, after] = [assess(job), assess(applyAct(job, act))];
  const missing = (from: Assessment, by: Assessment) =>
    from.snags.filter((s) => !by.snags.some((t) => t.id === s.id)).map((s) => s.what);
  return {
    cured: missing(before, after),
    caused: missing(after, before),
    railBefore: before.findings.solution?.points.fullLoad.railPressure,
    railAfter: after.findings.solution?.points.fullLoad.railPressure,
    marginBefore: before.findings.solution?.margin?.margin,
    marginAfter: after.findings.solution?.margin?.margin,
  };
}
