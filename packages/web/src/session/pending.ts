import type { Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import type { Job } from '@endrel/core/job/job';
import type { FieldPath } from '@endrel/core/fields/field-path';

/** The field that an act fills in, where it is one field. */
export function fieldOf(act: Act): FieldPath | undefined {
  if (act.act === 'set') return act.path;
  if (act.act === 'setOnPart') return ['parts', act.id, act.key];
  return undefined;
}
/** What it fills in. */
export const valueOf = (act: Act): unknown => (act.act === 'set' || act.act === 'setOnPart' ? act.value : undefined);

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
