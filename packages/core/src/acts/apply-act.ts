import type { Job } from '../job/job.ts';
import { inheritedKey } from '../fields/names.ts';
import { failure, success, type Result } from '../result.ts';
import { actSchema, kindOfAct, type Act } from './act.ts';
import { judgeTouched } from './judge.ts';
import { ActRefused, type ActFault } from './refused.ts';

/**
 * A job after an edit, or why it cannot be done. Pure: the old job is untouched, and what did not change is shared with it. What
 * the act touched is judged by its schema, so that a valid job stays one.
 */
export function tryAct(job: Job, given: unknown): Result<Job, ActFault> {
  const inherited = inheritedKey(given);
  if (inherited) return failure({ field: inherited, message: 'is a name that no job uses' });
  const act = actSchema.safeParse(given);
  if (!act.success) {
    const issue = act.error.issues[0]!;
    return failure({ field: issue.path.join('.'), message: `the act is not understood: ${issue.message}` });
  }
  try {
    const after = apply(job, act.data);
    const fault = judgeTouched(job, after);
    return fault ? failure(fault) : success(after);
  } catch (error) {
    if (error instanceof ActRefused) return failure({ field: '', message: error.message });
    throw error;
  }
}

/** The same for acts that are known to be right, such as a cure's; one that cannot be done leaves the job as it is. */
export function applyAct(job: Job, act: Act): Job {
  try {
    return apply(job, act);
  } catch (error) {
    if (error instanceof ActRefused) return job;
    throw error;
  }
}

const apply = (job: Job, act: Act): Job => kindOfAct(act).apply(job, act);
