import { expect } from 'chai';
import type { Snag } from '../../src/checks/snag.ts';
import type { Job } from '../../src/job/job.ts';
import { edgeOf, turnsBetween } from '../edge.ts';
import { expectWhole } from '../rule-cases.ts';

// Limits are of common practice unless the rule names its source; each stands here as a number of its own, so that a limit that
// is moved by a twentieth fails.

/** At the edge the figure is the limit, and the limit is what stands here. SI. */
export interface Limit {
  readonly rule: string;
  readonly what: string;
  readonly job: (value: number) => Job;
  readonly from: number;
  readonly to: number;
  readonly says?: (snag: Snag) => boolean;
  /** Where the measurement itself turns. */
  readonly at?: number;
  /** What the figure is of its limit there; 1 unless the limit is a share of what is shown. */
  readonly share?: number;
  /** What the figure is there. */
  readonly figure?: number;
}

/** Silent just under it and whole just over it, figure against limit. */
export function triedAtItsLimit({ rule, job, from, to, says: meant, at, share = 1, figure }: Limit): void {
  if (at !== undefined) {
    // the limit itself is allowed, or is not: what turns there turns within a hair of it
    const hair = 2e-6 * Math.abs(to - from) + 1e-12;
    const on = Math.sign(to - from) * hair;
    const { isSilent, snag } = turnsBetween(rule, job, [at - on, at + on], meant);
    expect(isSilent, 'silent just under').to.equal(true);
    expect([snag?.figure, snag?.limit], 'speaks just over, figure against limit').to.not.include(undefined);
    expectWhole(job(at + on), snag!);
    return;
  }
  const edge = edgeOf(rule, job, [from, to], meant, 1e-5);
  expect([edge.snag.figure, edge.snag.limit], 'figure against limit').to.not.include(undefined);
  expectWhole(job(edge.speaks), edge.snag);
  const { snag } = edge;
  // what follows from a solved run turns as finely as it is solved
  if (figure !== undefined)
    expect(snag.figure!.si).to.be.closeTo(figure, figure === 0 ? 1e-3 : 1e-2 * Math.abs(figure));
  else expect(snag.figure!.si / snag.limit!.si).to.be.closeTo(share, 2e-3);
}
