import { rules } from '../src/checks/rules.ts';
import type { Snag } from '../src/checks/snag.ts';
import { snagsOf } from '../src/checks/snags.ts';
import type { Job } from '../src/job/job.ts';
import { findingsOf } from '../src/run/findings.ts';

/** Where a rule begins to speak. */
export interface Edge {
  /** The last value at which it is silent and the first at which it speaks: no more than a millionth of the span apart. */
  readonly silent: number;
  readonly speaks: number;
  /** What it says there. */
  readonly snag: Snag;
}

/**
 * Bisects between a value of some measurement at which a rule is silent and one at which it speaks.
 *
 * @param says - of its snags, the one that is meant.
 */
export function edgeOf(
  rule: string,
  job: (value: number) => Job,
  [silent, speaks]: readonly [number, number],
  says: (snag: Snag) => boolean = () => true,
): Edge {
  if (!rules.some((r) => r.key === rule)) throw new Error(`there is no rule ${rule}`);
  const at = (value: number) => snagsOf(findingsOf(job(value))).find((s) => s.rule === rule && says(s));
  let snag = at(speaks);
  if (!snag) throw new Error(`${rule} does not speak at ${speaks}`);
  if (at(silent)) throw new Error(`${rule} is not silent at ${silent}`);
  const close = 1e-6 * Math.abs(speaks - silent);
  while (Math.abs(speaks - silent) > close) {
    const middle = (silent + speaks) / 2;
    const there = at(middle);
    if (there) [speaks, snag] = [middle, there];
    else silent = middle;
  }
  return { silent, speaks, snag };
}
