import { expect } from 'chai';
import { filled } from '../../test/filled.ts';
import { demoJobs } from '../demo/index.ts';
import type { Adapter } from '../fittings/adapter.ts';
import { jointsOf } from '../run/joints.ts';
import { endSteps, hoseEnds } from './hose-end-steps.ts';

describe('how hose ends are made', () => {
  it('differs by what is on the hose, and every kind has its own steps', () => {
    const job = filled(demoJobs.sprintCar);
    const ends = hoseEnds(job, jointsOf(job));
    expect(ends.find((h) => h.part === 'hose-2')!.ends.map((e) => e.kind)).to.deep.equal(['clamped', 'reusable']);
    expect(ends.find((h) => h.part === 'hose-3')!.ends.map((e) => e.kind)).to.deep.equal(['reusable', 'reusable']);
    // by the end itself at either end: its name, how it is made, a banjo whatever that is; none for what does not mate
    const joints = jointsOf(job);
    const hose = [joints.find((j) => j.to === 'hose-3')!, joints.find((j) => j.from === 'hose-3')!];
    const withEnds = (change: (end: Adapter) => Adapter) =>
      hoseEnds(
        job,
        joints.map((j) => (hose.includes(j) ? { ...j, chain: j.chain.map(change) } : j)),
      ).find((h) => h.part === 'hose-3')!.ends;
    expect(withEnds((e) => ({ ...e, name: 'Ours', making: 'crimped' }))).to.deep.equal(
      hose.map(({ number }) => ({ joint: number, kind: 'crimped', what: 'Ours' })),
    );
    expect(withEnds((e) => ({ ...e, shape: 'banjo', making: 'pushOn' })).map((e) => e.kind)).to.deep.equal([
      'banjo',
      'banjo',
    ]);
    const steps = Object.values(endSteps).map((s) => s.join());
    expect(new Set(steps).size).to.equal(steps.length);
    expect(endSteps.reusable.join()).to.match(/Mark the hose/);
    expect(endSteps.banjo.join()).to.match(/Two new washers/);
  });
});
