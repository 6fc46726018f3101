import { expect } from 'chai';
import { tryAct } from '@endrel/core/acts/apply-act';
import { demoJobs } from '@endrel/core/demo/index';
import type { Job } from '@endrel/core/job/job';
import { partsOnRun, portsOf } from '@endrel/core/parts/graph';
import { circuitsOf } from '@endrel/core/run/circuits';
import { freeEnds, kindsFor, placing, sparePorts, takingUp, teeing } from './place-part.ts';

const done = (job: Job, { act }: { act: Parameters<typeof tryAct>[1] }): Job => {
  const tried = tryAct(job, act);
  if (!tried.ok) throw new Error(tried.fault.message);
  return tried.value;
};

describe('where a part can go', () => {
  for (const job of Object.values(demoJobs)) {
    it(`${job.name.split(':')[0]}: every kind that is offered in a joint, on a free port or beside the run can go there`, () => {
      const spots = [
        ...Object.keys(job.joints).map((joint) => ({ joint })),
        ...freeEnds(job, '').map(({ ref }) => ({ port: ref })),
        'loose' as const,
      ];
      expect(spots.length).to.be.greaterThan(3);
      for (const spot of spots)
        for (const kind of kindsFor(job, spot)) {
          const placed = placing(job, kind, spot)!;
          const after = done(job, placed);
          expect(after.parts[placed.id]?.kind, `${kind} at ${JSON.stringify(spot)}`).to.equal(kind);
          expect(Object.keys(after.parts).length).to.be.greaterThan(Object.keys(job.parts).length);
        }
    });
    it(`${job.name.split(':')[0]}: a free end is free, and none is the part’s own`, () => {
      for (const part of partsOnRun(job))
        for (const { ref } of freeEnds(job, part.id)) {
          expect(ref.part).to.not.equal(part.id);
          const port = portsOf(job, job.parts[ref.part]!).find((p) => p.port === ref.port);
          expect(port?.state, `${ref.part}.${ref.port}`).to.not.equal('mated');
        }
    });
  }
  it('a second tank is offered nowhere, the first only beside the run', () => {
    const { mailVan } = demoJobs;
    expect(kindsFor(mailVan, 'loose')).to.not.include('tank');
    const bare = { ...mailVan, parts: {}, joints: {} };
    expect(kindsFor(bare, 'loose')).to.include('tank');
    expect(kindsFor(mailVan, { joint: Object.keys(mailVan.joints)[0]! })).to.not.include('tank');
  });
  it('an instrument in a joint sits on a tee; a tee leaves its branch free', () => {
    const { mailVan } = demoJobs;
    const joint = 'hose-2-in';
    expect(placing(mailVan, 'gauge', { joint })!.act.act).to.equal('tapIn');
    const made = teeing(mailVan, joint);
    const teed = done(mailVan, made);
    expect(freeEnds(teed, '').map(({ ref }) => ref)).to.deep.include({ part: made.id, port: 'branch' });
  });
  it('a pump on a line under pressure feeds in, at a pickup of the tank it draws', () => {
    const { mailVan } = demoJobs;
    const rail = placing(mailVan, 'pump', { port: { part: 'rail-1', port: 'side-1' } })!;
    expect(rail.act).to.deep.include({ act: 'attachPart', port: 'out' });
    const tank = circuitsOf(mailVan).tank!;
    expect(placing(mailVan, 'pump', { port: { part: tank.id, port: 'pickup-2' } })!.act).to.deep.include({
      port: 'in',
    });
    expect(placing(mailVan, 'pump', { port: { part: tank.id, port: 'return-2' } })!.act).to.deep.include({
      port: 'out',
    });
  });
  it('what a part could have more of is offered once, while it is not there', () => {
    const { mailVan } = demoJobs;
    const tank = circuitsOf(mailVan).tank!;
    const spare = sparePorts(mailVan, tank).map((p) => p.port);
    expect(spare).to.include('pickup-2').and.not.include('pickup-1');
    expect(sparePorts(mailVan, mailVan.parts['hose-1']!)).to.deep.equal([]);
  });
  it('what was set aside is taken up in a joint or at a port, never beside the run', () => {
    const { mailVan } = demoJobs;
    const hose = mailVan.parts['hose-1']!;
    expect(takingUp(mailVan, hose, 'loose')).to.equal(undefined);
    expect(takingUp(mailVan, hose, { joint: 'hose-2-in' })).to.deep.equal({
      act: 'movePart',
      id: 'hose-1',
      joint: 'hose-2-in',
    });
    const port = { part: 'rail-1', port: 'side-1' };
    expect(takingUp(mailVan, hose, { port })).to.deep.include({ act: 'takeUp', id: 'hose-1', to: port });
  });
});
