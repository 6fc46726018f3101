import { kindOfAct, type Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import type { Job } from '@endrel/core/job/job';
import type { FieldPath } from '@endrel/core/fields/field-path';

/** The field that an act fills in, where it is one field. */
export const fieldOf = (act: Act): FieldPath | undefined => kindOfAct(act).fills?.(act).path;
/** What it fills in. */
export const valueOf = (act: Act): unknown => kindOfAct(act).fills?.(act).value;

/** A job with acts done on it in order; those that can no longer be done are left out, each with why. */
export function withActs<A extends { readonly act: Act }>(
  job: Job,
  acts: readonly A[],
): { job: Job; done: A[]; dropped: { act: A; why: string }[] } {
  const done: A[] = [];
  const dropped: { act: A; why: string }[] = [];
  let now = job;
  for (const act of acts) {
    const tried = tryAct(now, act.act);
    if (tried.ok) {
      now = tried.value;
      done.push(act);
    } else dropped.push({ act, why: tried.fault.message });
  }
  return { job: now, done, dropped };
}

/** A job with acts that the server has done; undefined where one cannot be done here, which a fresh reading settles. */
export function continuing(job: Job, acts: readonly { readonly act: Act }[]): Job | undefined {
  const { job: now, dropped } = withActs(job, acts);
  return dropped.length === 0 ? now : undefined;
}
