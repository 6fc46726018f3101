import { forgetOnce } from './once-for.ts';

const MOST = 24; // states of a job: an edit, its undo, the cures that are tried

const kept = new Map<string, Map<string, unknown>>();
const counts: Record<string, number> = {};

/**
 * A result that is reckoned only when what it reads is new. The same results as reckoned anew, so that everything built on them
 * stays pure.
 *
 * @param what - is reckoned. @param key - says all that `compute` takes in. @param most - results that are kept of it.
 */
export function remembered<R>(what: string, key: string, compute: () => R, most = MOST): R {
  let results = kept.get(what) as Map<string, R> | undefined;
  if (!results) kept.set(what, (results = new Map<string, R>()));
  if (results.has(key)) {
    const result = results.get(key)!;
    results.delete(key);
    results.set(key, result); // the last used goes last
    return result;
  }
  counts[what] = (counts[what] ?? 0) + 1;
  const result = compute();
  if (results.size >= most) results.delete(results.keys().next().value!);
  results.set(key, result);
  return result;
}

/** How often each was reckoned since the start. */
export const reckonings = (): Readonly<Record<string, number>> => ({ ...counts });

/** Forgets every result, those held by the object they came from as well. */
export function forgetAll(): void {
  kept.clear();
  forgetOnce();
}
