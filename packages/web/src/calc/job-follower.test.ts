import { expect } from 'chai';
import type { Assessment } from '@endrel/core/assessment/assess';
import { demoJobs } from '@endrel/core/demo/index';
import { applyAct } from '@endrel/core/acts/apply-act';
import { isSame } from '@endrel/core/acts/is-same';
import { assess } from '@endrel/core/assessment/assess';
import type { Job } from '@endrel/core/job/job';
import { HeldJob } from '@endrel/core/assessment/held-job';
import { JobFollower, type Reckoner } from './job-follower.ts';

const length = (job: Job, id: string, metres: number) =>
  applyAct(job, { act: 'setOnPart', id, key: 'length', value: { si: metres, unit: 'mm' } });

/** A worker by the side: everything crosses as a copy, and a turn later. */
function aside() {
  let held = new HeldJob();
  const calls: string[] = [];
  const answer = async <R>(what: string, say: () => R): Promise<R> => {
    calls.push(what);
    await Promise.resolve();
    return structuredClone(say());
  };
  const reckoner: Reckoner = {
    hold: (job) => answer('hold', () => held.hold(structuredClone(job))),
    act: (act) => answer('act', () => held.act(structuredClone(act))),
  };
  return { reckoner, calls, restart: () => (held = new HeldJob()) };
}

describe('a page that follows its job in the worker', () => {
  const said: Assessment[] = [];
  let heard = () => undefined as void;
  const start = (reckoner: Reckoner) =>
    new JobFollower(reckoner, (assessment) => {
      said.push(assessment);
      heard();
    });
  /** Until that job is spoken of. */
  const spoken = (of: Job) =>
    new Promise<void>((resolve) => {
      heard = () => said.at(-1)?.findings.asLeft === of && resolve();
      heard();
    });
  beforeEach(() => (said.length = 0));

  it('hands it over once, then tells what was touched; what did not change is the same object', async () => {
    const { reckoner, calls } = aside();
    const follower = start(reckoner);
    const [first, second] = [demoJobs.mailVan, length(demoJobs.mailVan, 'hose-2', 0.9)];
    void follower.follow(first);
    await spoken(first);
    void follower.follow(second);
    await spoken(second);
    expect(calls).to.deep.equal(['hold', 'act']);
    expect(isSame(said[1], assess(second))).to.equal(true);
    expect(said[1]!.findings.asLeft).to.equal(second);
    expect(said[1]!.findings.tank).to.equal(said[0]!.findings.tank);
    expect(said[1]!.findings.solution).to.not.equal(said[0]!.findings.solution);
  });
  it('lets edits that come while it reckons go together', async () => {
    const { reckoner, calls } = aside();
    const follower = start(reckoner);
    let job: Job = demoJobs.mailVan;
    void follower.follow(job);
    for (let i = 1; i < 6; i++) void follower.follow((job = length(job, 'hose-2', 0.5 + i / 10)));
    await spoken(job);
    expect(calls).to.deep.equal(['hold', 'act']);
    expect(isSame(said.at(-1), assess(job))).to.equal(true);
  });
  it('hands the job over anew when the worker has lost it', async () => {
    const { reckoner, calls, restart } = aside();
    const follower = start(reckoner);
    void follower.follow(demoJobs.mailVan);
    await spoken(demoJobs.mailVan);
    restart();
    const job = length(demoJobs.mailVan, 'hose-2', 0.7);
    void follower.follow(job);
    await spoken(job);
    expect(calls).to.deep.equal(['hold', 'act', 'hold']);
    expect(isSame(said.at(-1), assess(job))).to.equal(true);
  });
});
