import type { Snag } from '../checks/snag.ts';
import { isSame } from '../acts/is-same.ts';
import type { Job } from '../job/job.ts';
import type { Findings } from '../reckoning/findings.ts';
import { routedJob } from '../routes/routed-job.ts';
import type { Assessment } from './assess.ts';

/** What is said of a job, without the job itself: what crosses from a worker at an edit, and what a browser keeps. */
export type Said = Omit<Findings, 'job' | 'asLeft'>;

/** What is said of a job with the job put to it. */
export const saidOf = (asLeft: Job, said: Said, snags: readonly Snag[]): Assessment => ({
  findings: { ...said, asLeft, job: routedJob(asLeft, said.routes) },
  snags,
});

/** What an edit made other in what is said of a job: all that it does not name stays as it was. */
export interface AssessmentChange {
  readonly findings: Partial<Said>;
  /** Findings that there are no longer. */
  readonly gone: readonly (keyof Said)[];
  readonly snags?: readonly Snag[];
}

/** What is said of a job once a change has come: whatever did not change is the very same object. */
export function followed(before: Assessment, job: Job, change: AssessmentChange): Assessment {
  const found: Said = { ...before.findings, ...change.findings };
  for (const key of change.gone) delete found[key];
  const same = (snag: Snag) => before.snags.find((was) => was.id === snag.id && isSame(was, snag));
  return saidOf(job, found, change.snags?.map((snag) => same(snag) ?? snag) ?? before.snags);
}
