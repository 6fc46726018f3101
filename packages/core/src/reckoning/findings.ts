import type { Job } from '../job/job.ts';
import { routedJob } from '../routes/routed-job.ts';
import type { RouteFindings } from '../routes/route-findings.ts';
import type { Findings, Found } from './found.ts';
import { ON_THE_WAY, steps } from './steps.ts';

export type { Findings } from './found.ts';

/** Each step is reckoned again only when what it reads has changed: a note solves nothing, a gauge no network, a hose no tank. */
export function findingsOf(asLeft: Job): Findings {
  const found: Partial<Found> = {};
  const keep = found as Record<string, unknown>;
  let job = asLeft;
  for (const step of steps) {
    keep[step.key] = step.result(step.isAsLeft ? asLeft : job, found);
    if (step.key === 'routes') job = routedJob(asLeft, keep.routes as RouteFindings);
  }
  for (const key of ON_THE_WAY) delete keep[key];
  return { ...(found as Omit<Findings, 'asLeft' | 'job'>), asLeft, job };
}
