import { applyPatch, createPatch, type Operation } from 'rfc6902';
import type { Job } from '@endrel/core/job/job';

export type Rebased = { ok: true; job: Job } | { ok: false; fields: string[] };

/**
 * Carries the changes from `base` to `mine` over to `theirs`.
 *
 * @returns the joined job, or the fields that both sides changed differently. Lists whose members were added, removed
 * or moved count as one field: their indices no longer mean the same thing on both sides.
 */
export function rebase(base: Job, mine: Job, theirs: Job): Rebased {
  const myPatch = createPatch(base, mine);
  const theirPatch = createPatch(base, theirs);
  const theirPlaces = theirPatch.map(placeOf);
  const clashes = myPatch.filter((op) => {
    const place = placeOf(op);
    return theirPlaces.some((other) => isWithin(place, other) || isWithin(other, place));
  });
  const fields = [...new Set(clashes.map((op) => placeOf(op).replace(/^\//, '').replaceAll('/', ' ')))];
  if (fields.length > 0 && JSON.stringify(mine) !== JSON.stringify(theirs)) return { ok: false, fields };
  const joined = structuredClone(theirs);
  const failures = fields.length > 0 ? [] : applyPatch(joined, myPatch).filter((failure) => failure !== null);
  return failures.length > 0 ? { ok: false, fields: ['the job'] } : { ok: true, job: joined };
}

/** Where an operation acts; for an insertion into or removal from a list, the list itself. */
function placeOf(op: Operation): string {
  const parts = op.path.split('/');
  const structural = op.op !== 'replace' && op.op !== 'test';
  const inList = /^(\d+|-)$/.test(parts.at(-1)!);
  return structural && inList ? parts.slice(0, -1).join('/') : op.path;
}

const isWithin = (inner: string, outer: string) => inner === outer || inner.startsWith(`${outer}/`);
