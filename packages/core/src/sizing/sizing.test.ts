import { expect } from 'chai';
import { enginePumpWithDamper } from '../../test/odd-runs.ts';
import { afterRailJob, changed, cleanJob, get, twoPumpJob } from '../../test/rule-cases.ts';
import { assess } from '../assessment/assess.ts';
import { demoJobs } from '../demo/index.ts';
import { applyAct } from '../acts/apply-act.ts';
import { describeAct } from '../acts/act.ts';
import type { Job } from '../job/job.ts';
import { pumpLibrary } from '../pumps/library.ts';
import { linesOf, lineSizes, resize } from './line-sizes.ts';
import { proposals, type Proposal } from './proposals.ts';

const library = Object.entries(pumpLibrary).map(([key, pump]) => ({ key, ...pump }));
const find = (job: Job, key: Proposal['key']) => [...proposals(job, library)].find((p) => p.key === key);

describe('sizes that Endrel proposes', () => {
  for (const [name, job] of Object.entries({
    tender: demoJobs.flatBedTender,
    pickup: demoJobs.rescuePickup,
    van: demoJobs.mailVan,
  }))
    it(`${name}: what is proposed keeps every limit on the whole run, and one size less does not`, () => {
      for (const proposal of proposals(job, library)) {
        if (!proposal.proposed) continue;
        for (const c of proposal.then!) expect(c.ok, `${proposal.title}: ${c.label}`).to.equal(true);
        if (proposal.act) expect(assess(applyAct(job, proposal.act)).findings.solution).to.not.equal(undefined);
        if (!['suction', 'feed', 'return'].includes(proposal.key) || proposal.tried.length < 2) continue;
        // the size before it, tried by hand
        const group = proposal.key as 'feed';
        const smaller = applyAct(job, resize(linesOf(job, group), lineSizes[proposal.tried.length - 2]!, 'smaller'));
        const again = find(smaller, proposal.key)!;
        expect(
          again.now.every((c) => c.ok),
          `${proposal.title} one size less`,
        ).to.equal(false);
      }
    });
  it('cure a creeping return in one act, and say what else moves', () => {
    const job = demoJobs.flatBedTender;
    const proposal = find(job, 'return')!;
    expect(proposal.now.find((c) => c.label === 'rail at idle')!.ok).to.equal(false);
    expect(proposal.preview!.cured.join(' ')).to.include('creeps up');
    expect(proposal.preview!.moved.map((m) => m.label)).to.include('Pressure at idle');
    expect(describeAct(job, proposal.act!)).to.equal('return line in −6');
  });
  it('choose the weakest pump that has its margin, and say what it saves', () => {
    const proposal = find(demoJobs.mailVan, 'pump')!;
    expect(proposal.proposed).to.equal('injection pump, 190 L/h at 300 kPa');
    const current = proposal.preview!.moved.find((m) => m.label === 'Pump current at full load')!;
    expect(current.after.si).to.be.lessThan(current.before.si);
  });
  it('say so when no size does', () => {
    const thirsty = changed(demoJobs.sprintCar, (j) => (j.brief.power!.si *= 4));
    const proposal = find(thirsty, 'pump')!;
    expect([proposal.proposed, proposal.act]).to.deep.equal([undefined, undefined]);
    expect(proposal.tried).to.have.length(library.length);
  });
  it('size the pot by the seconds wanted, and the lift pump by what must run over', () => {
    const job = changed(demoJobs.rescuePickup, (j) => (get(j, 'swirlPot').secondsWanted = { si: 60, unit: 's' }));
    expect(find(job, 'pot')!.proposed).to.equal('1.7 L');
    const lift = find(job, 'liftPump')!;
    expect(lift.then![0]!.figure.si).to.be.at.least(lift.then![0]!.limit.si);
  });
  it('drill the jet', () => {
    expect(find(demoJobs.flatBedTender, 'jet')!.proposed).to.match(/^\d(\.\d)? mm drill$/);
  });
  it('leave what lies in the tank, and the lines of other groups, as they are', () => {
    const job = afterRailJob();
    expect(linesOf(job, 'feed').map((c) => c.id)).to.deep.equal(['hard-line-1', 'hose-2']);
    expect(linesOf(job, 'return').map((c) => c.id)).to.deep.equal(['hose-3']);
    expect(linesOf(demoJobs.rescuePickup, 'suction').map((c) => c.id)).to.deep.equal(['hose-2']);
    expect(linesOf(demoJobs.rescuePickup, 'feed').map((c) => c.id)).to.deep.equal(['hard-line-1', 'hose-3']);
  });
  it('propose nothing while the run cannot be solved', () => {
    expect([
      ...proposals(
        cleanJob((j) => (get(j, 'pump').tables = [])),
        library,
      ),
    ]).to.deep.equal([]);
  });
  it('try pumps from the one that draws least, whatever order the library is in', () => {
    const inOrder = find(demoJobs.mailVan, 'pump')!;
    const backwards = [...proposals(demoJobs.mailVan, [...library].reverse())].find((p) => p.key === 'pump')!;
    expect(backwards.tried).to.deep.equal(inOrder.tried);
    expect(inOrder.title).to.equal('Pump');
    expect(find(twoPumpJob(), 'pump')!.title).to.equal('2 pumps');
  });
  it('size no pump where none is electric', () => {
    expect(find(enginePumpWithDamper(), 'pump')).to.equal(undefined);
  });
  it('hold the jet against what the engine burns and 15 %, before and after', () => {
    const { now, then, act, tried } = find(demoJobs.flatBedTender, 'jet')!;
    const { siphon } = assess(demoJobs.flatBedTender).findings.hanger;
    const at = siphon![siphon!.chosenFor === 'cruise' ? 'cruise' : 'fullLoad'];
    expect(now[0]!.figure.si).to.equal(at.suction);
    for (const list of [now, then!]) {
      expect(list).to.have.length(1);
      expect(list[0]!.limit.si / at.demand).to.be.closeTo(1.15, 1e-3);
    }
    expect(then![0]!.ok).to.equal(true);
    expect(tried).to.have.length(1);
    // taken, there is nothing left to take
    expect(act).to.not.equal(undefined);
    expect(find(applyAct(demoJobs.flatBedTender, act!), 'jet')!.act).to.equal(undefined);
  });
  it('hold the pot against the seconds wanted, and offer nothing that is there', () => {
    const job = changed(demoJobs.rescuePickup, (j) => (get(j, 'swirlPot').secondsWanted = { si: 60, unit: 's' }));
    const { now, then, act, tried } = find(job, 'pot')!;
    const demand = assess(job).findings.demand!.volumeFlow;
    expect(now[0]!.figure.si).to.be.closeTo(get(job, 'swirlPot').volume!.si / demand, 1e-9);
    expect(then![0]!.figure.si).to.be.closeTo(1.7e-3 / demand, 1e-9);
    expect([now[0]!.limit.si, then![0]!.limit.si, tried.length]).to.deep.equal([60, 60, 1]);
    expect(find(applyAct(job, act!), 'pot')!.act).to.equal(undefined);
    const unmeasured = changed(job, (j) => delete get(j, 'swirlPot').volume);
    expect(find(unmeasured, 'pot')).to.deep.include({ now: [], act });
  });
  it('leave a hose in the tank alone, and one between pumps and rails is no branch', () => {
    const inTank = changed(demoJobs.mailVan, (j) => (get(j, 'hose').immersed = true));
    expect(linesOf(inTank, 'feed').map((c) => c.id)).to.not.include('hose-1');
    const outside = changed(demoJobs.mailVan, (j) => (get(j, 'hose').immersed = false));
    expect(linesOf(outside, 'feed').map((c) => c.id)).to.include('hose-1');
  });
});
