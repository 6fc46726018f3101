import { forgetOnce } from './once-for.ts';

/** Steps of the findings that cost enough to be kept. */
export type ReckoningStep =
  | 'tank'
  | 'solution'
  | 'routes'
  | 'hoseShape'
  | 'drive'
  | 'soak'
  | 'tankFindings'
  | 'hanger'
  | 'hangerFlows'
  | 'float'
  | 'gauge'
  | 'sweep'
  | 'vent'
  | 'wiring'
  | 'levels';

const MOST = 24; // states of a job: an edit, its undo, the cures that are tried
/** Steps that are reckoned many times for one state. */
const MOST_OF: Partial<Record<ReckoningStep, number>> = { hoseShape: 1000 };

const kept = new Map<ReckoningStep, Map<string, unknown>>();
const counts: Partial<Record<ReckoningStep, number>> = {};

/**
 * The result of a step, reckoned only when what it reads is new by its content. The same results as reckoned anew, so that
 * everything built on them stays pure.
 *
 * @param reads - all that `compute` takes from the job and from the steps before it, and nothing else: plain data, or its JSON
 *   where several steps read the same.
 */
export function remembered<R>(step: ReckoningStep, reads: readonly unknown[], compute: () => R): R {
  let results = kept.get(step) as Map<string, R> | undefined;
  if (!results) kept.set(step, (results = new Map<string, R>()));
  const key = reads.map((part) => (typeof part === 'string' ? part : JSON.stringify(part))).join('\n');
  if (results.has(key)) {
    const result = results.get(key)!;
    results.delete(key);
    results.set(key, result); // the last used goes last
    return result;
  }
  counts[step] = (counts[step] ?? 0) + 1;
  const result = compute();
  if (results.size >= (MOST_OF[step] ?? MOST)) results.delete(results.keys().next().value!);
  results.set(key, result);
  return result;
}

/** How often each step was reckoned since the start. */
export const reckonings = (): Readonly<Partial<Record<ReckoningStep, number>>> => ({ ...counts });

/** Forgets every result, those held by the object they came from as well. */
export function forgetAll(): void {
  kept.clear();
  forgetOnce();
}
