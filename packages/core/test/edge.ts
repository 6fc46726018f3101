import type { Snag } from '../src/checks/snag.ts';
import type { Job } from '../src/job/job.ts';
import { snagsOfRule } from './rule-cases.ts';

/** Where a rule begins to speak. */
export interface Edge {
  /** The last value at which it is silent and the first at which it speaks: as close as it was bisected. */
  readonly silent: number;
  readonly speaks: number;
  /** What it says there. */
  readonly snag: Snag;
}

/** Whether a rule is silent at a value and speaks at another; the snag that it then gives. */
export function turnsBetween(
  rule: string,
  job: (value: number) => Job,
  [silent, speaks]: readonly [number, number],
  says: (snag: Snag) => boolean = () => true,
): { readonly isSilent: boolean; readonly snag: Snag | undefined } {
  const at = (value: number) => snagsOfRule(job(value), rule).find(says);
  return { isSilent: at(silent) === undefined, snag: at(speaks) };
}

/**
 * Bisects between a value of some measurement at which a rule is silent and one at which it speaks.
 *
 * @param says - of its snags, the one that is meant.
 * @param finely - share of the span to which the edge is found.
 */
export function edgeOf(
  rule: string,
  job: (value: number) => Job,
  [silent, speaks]: readonly [number, number],
  says: (snag: Snag) => boolean = () => true,
  finely = 1e-6,
): Edge {
  const at = (value: number) => snagsOfRule(job(value), rule).find(says);
  let snag = at(speaks);
  if (!snag) throw new Error(`${rule} does not speak at ${speaks}`);
  if (at(silent)) throw new Error(`${rule} is not silent at ${silent}`);
  const close = finely * Math.abs(speaks - silent);
  while (Math.abs(speaks - silent) > close) {
    const middle = (silent + speaks) / 2;
    const there = at(middle);
    if (there) [speaks, snag] = [middle, there];
    else silent = middle;
  }
  return { silent, speaks, snag };
}
