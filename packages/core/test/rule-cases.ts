import { expect } from 'chai';
import { assess } from '../src/assess.ts';
import type { Grade, Snag } from '../src/checks/snag.ts';
import { demoJobs } from '../src/demo/index.ts';
import { applyAct } from '../src/job/acts/apply-act.ts';
import type { Part, PartKind, PartOf } from '../src/job/PARTKINDS.ts';
import type { Job } from '../src/job/job.ts';

/** A copy of a job with one thing changed. */
export function changed(job: Job, change: (copy: Job) => void): Job {
  const copy = structuredClone(job);
  change(copy);
  return copy;
}

/** The finished, clean job: an injected engine, regulator by the tank. */
export const cleanJob = (change: (copy: Job) => void = () => undefined): Job => changed(demoJobs.mailVan, change);

/** The clean job laid out with its regulator after the rail and a manifold reference. */
export const afterRailJob = (change: (copy: Job) => void = () => undefined): Job =>
  changed(demoJobs.mailVan, (job) => {
    const at = job.run.supply.findIndex((c) => c.kind === 'regulator');
    const [regulator] = job.run.supply.splice(at, 1) as [PartOf<'regulator'>];
    job.run.supply.push({ ...regulator, referenced: true, adjustable: true });
    job.layout.key = 'bypassAfterRail';
    change(job);
  });

/** The carburetted job with everything measured: pump below the outlet. */
export const carburettorJob = (change: (copy: Job) => void = () => undefined): Job =>
  changed(demoJobs.beachBuggy, (job) => {
    const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
    Object.assign(job.survey.tank, { depth: mm(300), outletHeight: mm(0), ventHeight: mm(600), fillerHeight: mm(500) });
    job.survey.railHeight = mm(400);
    get(job, 'pump').inletHeight = mm(-120);
    get(job, 'hardLine').length = mm(1800);
    change(job);
  });

/** The sprint car with a second pump like its first beside it. */
export const twoPumpJob = (rest: Partial<PartOf<'pump'>> = {}): Job =>
  changed(demoJobs.sprintCar, (job) => {
    const at = job.run.supply.findIndex((c) => c.kind === 'pump');
    const second = { ...get(job, 'pump'), id: 'pump-2', label: 'Second pump', beside: true, ...rest };
    job.run.supply.splice(at + 1, 0, second);
  });

/** The n-th part of a kind. */
export function get<K extends PartKind>(job: Job, kind: K, n = 0): PartOf<K> {
  const found = [...job.run.supply, ...job.run.return].filter((c: Part): c is PartOf<K> => c.kind === kind)[
    n
  ];
  if (!found) throw new Error(`no ${kind} ${n}`);
  return found;
}

export const snagsOfRule = (job: Job, rule: string): Snag[] => assess(job).snags.filter((s) => s.rule === rule);

/** The rule is silent on the good job and speaks on the bad one, with whole sentences and, if it offers a cure, one that works. */
export function expectSnag(rule: string, good: Job, bad: Job, grade: Grade, part?: string): Snag {
  expect(snagsOfRule(good, rule), 'on the good job').to.deep.equal([]);
  const [snag] = snagsOfRule(bad, rule);
  if (!snag) throw new Error(`${rule} did not speak`);
  expect(snag.grade).to.equal(grade);
  expect(snag.part).to.equal(part);
  for (const sentence of [snag.what, snag.why, snag.cure]) expect(sentence).to.match(/^\S.*[.]$/s);
  expect(snag.source).to.not.equal('');
  if (snag.act) {
    expect(snag.actLabel, 'a cure needs a label').to.be.a('string');
    expect(snagsOfRule(applyAct(bad, snag.act), rule).map((s) => s.id)).to.not.include(snag.id);
  }
  return snag;
}
