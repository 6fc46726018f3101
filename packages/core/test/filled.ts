import { applyAct } from '../src/acts/apply-act.ts';
import { genericSearch } from '../src/fittings/stock.ts';
import type { Job } from '../src/job/job.ts';
import { ChainPlanner, fillJoints, type JointPlan } from '../src/joints/chain-plan.ts';
import { findingsOf } from '../src/reckoning/findings.ts';
import { jointsOf } from '../src/run/joints.ts';

/** What could go between the joints of a job, of every generic part unless a planner says otherwise. */
export const planOf = (job: Job, planner = new ChainPlanner(genericSearch())): readonly JointPlan[] =>
  planner.plan(findingsOf(job));

/** The job with the best of it between every joint that wants something. */
export function filled(job: Job): Job {
  const act = fillJoints(jointsOf(job), planOf(job));
  return act ? applyAct(job, act) : job;
}
