/** Steps of the findings that cost enough to be kept. */
export type ReckoningStep =
  'tank' | 'solution' | 'drive' | 'tankFindings' | 'hanger' | 'float' | 'gauge' | 'sweep' | 'vent';

const MOST = 24; // states of a job: an edit, its undo, the cures that are tried

const kept = new Map<ReckoningStep, Map<string, unknown>>();
const counts: Partial<Record<ReckoningStep, number>> = {};

/**
 * The result of a step, reckoned only when what it reads is new by its content. The same results as reckoned anew, so that
 * everything built on them stays pure.
 *
 * @param reads - plain data: all that `compute` takes from the job and from the steps before it, and nothing else.
 */
export function remembered<R>(step: ReckoningStep, reads: unknown, compute: () => R): R {
  let results = kept.get(step) as Map<string, R> | undefined;
  if (!results) kept.set(step, (results = new Map<string, R>()));
  const key = JSON.stringify(reads);
  if (results.has(key)) {
    const result = results.get(key)!;
    results.delete(key);
    results.set(key, result); // the last used goes last
    return result;
  }
  counts[step] = (counts[step] ?? 0) + 1;
  const result = compute();
  if (results.size >= MOST) results.delete(results.keys().next().value!);
  results.set(key, result);
  return result;
}

/** How often each step was reckoned since the start. */
export const reckonings = (): Readonly<Partial<Record<ReckoningStep, number>>> => ({ ...counts });

/** Forgets every result. */
export const forgetAll = (): void => kept.clear();
