import { expect } from 'chai';
import { assess } from '../assessment/assess.ts';
import { afterRailJob, carburettorJob, changed, cleanJob, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { applyAct } from '../acts/apply-act.ts';
import { layoutsFor } from '../acts/lay-out.ts';
import { regulatorPlace } from '../acts/move-regulator.ts';
import type { Job } from '../job/job.ts';
import type { PartOf } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { layOutAndSolve, recommend } from './compare-layouts.ts';
import { withStandIns } from './stand-in-parts.ts';

const all = (job: Job) => layoutsFor('injection').map((key) => layOutAndSolve(job, key));

describe('layouts compared', () => {
  for (const [name, job] of Object.entries({
    van: demoJobs.mailVan,
    tender: demoJobs.flatBedTender,
    pickup: demoJobs.rescuePickup,
    shuttle: demoJobs.islandShuttle,
  }))
    it(`every school is solved with the parts of the ${name}, and says which parts it had to assume`, () => {
      for (const laid of all(job)) {
        expect(laid.assessment.findings.faults, laid.key).to.deep.equal([]);
        expect(laid.error, laid.key).to.be.within(0, 1.2);
        expect(laid.line).to.be.greaterThan(0.5);
        for (const part of laid.assumed) expect(part).to.match(/^[A-Z]/);
      }
      expect(all(job).find((l) => l.key === job.layout.key)!.toBuy, 'its own').to.deep.equal([]);
    });
  it('a boosted engine is not given a fixed pressure: the reason is the steadiest pressure', () => {
    const { key, reason } = recommend(all(demoJobs.sprintCar))!;
    expect(['bypassAfterRail', 'bypassBeforeRail', 'liftAndPot']).to.include(key);
    expect(reason).to.match(/[a-z]/);
  });
  it('an engine mapped for a fixed pressure is not given a referenced regulator', () => {
    const laid = all(demoJobs.mailVan);
    const error = (key: string) => laid.find((l) => l.key === key)!.error!;
    expect(error('bypassAtTank')).to.be.lessThan(0.02);
    expect(error('bypassAfterRail')).to.be.lessThan(0.02);
    const after = laid.find((l) => l.key === 'bypassAfterRail')!.assessment.findings.job;
    expect(get(after, 'regulator').referenced, 'the layout follows the brief').to.equal(false);
    const referenced = all(changed(demoJobs.mailVan, (j) => (j.brief.manifoldReference = true)));
    expect(
      get(referenced.find((l) => l.key === 'bypassAfterRail')!.assessment.findings.job, 'regulator').referenced,
    ).to.equal(true);
  });
  it('swirl pot: buys a lift pump, its hoses and the pot, and says so', () => {
    const pot = all(demoJobs.mailVan).find((l) => l.key === 'liftAndPot')!;
    expect(pot.toBuy).to.include.members(['Lift pump', 'Lift hose', 'Swirl pot', 'Pot outlet hose']);
    expect(pot.assumed).to.include('Lift pump');
  });
  it('electronic returnless sets the regulator and the return aside, and keeps the tank coolest', () => {
    const laid = all(demoJobs.flatBedTender);
    const electronic = laid.find((l) => l.key === 'electronicReturnless')!;
    expect(electronic.setAside).to.include('Bypass regulator');
    expect(Math.min(...laid.map((l) => l.tankAfterDrive!))).to.equal(electronic.tankAfterDrive);
  });
  for (const job of Object.values(demoJobs).filter((j) => j !== demoJobs.beachBuggy))
    it(`${job.name}: its own school is the job as it stands, in the order it was built in`, () =>
      expect(layOutAndSolve(job, job.layout.key!).assessment.findings.asLeft).to.deep.equal(job));
  it('says the reason that decided, with figures that bear it out', () => {
    for (const job of [demoJobs.mailVan, demoJobs.sprintCar, demoJobs.flatBedTender, demoJobs.rescuePickup]) {
      const laid = all(job);
      const found = recommend(laid)!;
      // whoever is better by that figure is named, with what it had fallen by
      if (found.reason.includes('warms'))
        expect(found.despite.map((d) => d.key)).to.have.members(
          laid.filter((l) => l.cannot === undefined && l.tankAfterDrive! < found.figure!.si - 3).map((l) => l.key),
        );
      if (!found.figure || !found.next) continue;
      const better = found.figure.si - found.next.figure.si;
      expect(found.reason.includes('most') ? better : -better, `${job.name}: ${found.reason}`).to.be.greaterThan(0);
    }
  });
  it('does not propose a school that cannot give the manifold reference that is wanted', () => {
    const wants = changed(demoJobs.mailVan, (j) => (j.brief.manifoldReference = true));
    const laid = all(wants);
    for (const key of ['bypassAtTank', 'inTankReturnless', 'electronicReturnless'])
      expect(laid.find((l) => l.key === key)!.cannot, key).to.include('manifold reference');
    expect(laid.find((l) => l.key === 'bypassAfterRail')!.cannot).to.equal(undefined);
    expect(['bypassAfterRail', 'bypassBeforeRail', 'liftAndPot']).to.include(recommend(laid)!.key);
    const none = all(demoJobs.mailVan);
    for (const l of none) expect(l.cannot, l.key).to.equal(undefined);
  });
  it('counts a controller and its sensor as parts to buy and programme', () => {
    const electronic = all(demoJobs.mailVan).find((l) => l.key === 'electronicReturnless')!;
    expect(electronic.toBuy).to.include('Pump controller');
    expect(electronic.toBuy.some((name) => /sensor/i.test(name))).to.equal(true);
    const found = recommend(all(demoJobs.mailVan))!;
    expect(found.key).to.not.equal('electronicReturnless');
    expect(found.despite.find((d) => d.key === 'electronicReturnless')!.fell).to.include('bought and programmed');
  });
  it('holds no stop against a school for hoses that are not measured yet', () => {
    const low = changed(demoJobs.mailVan, (j) => delete get(j, 'pump').reliefPressure);
    for (const l of all(low)) {
      const own = l.assessment.snags.filter((s) => s.grade === 'stop');
      expect(l.stops).to.be.at.most(own.length);
      for (const s of own) if (s.part && !(s.part in low.parts)) expect(l.stops, s.what).to.be.lessThan(own.length);
    }
  });
  it('gives every school the same typical sizes for what is not there yet', () => {
    const bare = changed(demoJobs.mailVan, (j) => {
      for (const p of Object.values(j.parts))
        if (p.kind === 'hose') {
          delete p.bore;
          delete p.length;
        }
    });
    for (const l of all(bare))
      for (const p of Object.values(l.assessment.findings.job.parts))
        if (p.kind === 'hose' && !p.aside && l.assumed.length > 0 && p.bore && !bare.parts[p.id])
          expect(p.bore.si, `${l.key} ${p.id}`).to.equal(0.008);
  });
  it('judges a carburettor at the carburettor', () => {
    const job = carburettorJob();
    const laid = layoutsFor('carburettor').map((key) => layOutAndSolve(job, key));
    for (const l of laid)
      for (const [key, p] of Object.entries(l.pressures))
        expect(p.has, `${l.key} ${key}`).to.equal(l.assessment.findings.solution!.points[key]!.railPressure);
    expect(recommend(laid)!.reason).to.not.include('injector');
  });
  it('never reorders what is measured: lines keep their order in every school', () => {
    for (const job of [demoJobs.mailVan, demoJobs.flatBedTender])
      for (const l of all(job)) {
        const order = (j: Job) =>
          circuitsOf(j).order.filter(
            (id) =>
              job.parts[id]?.kind === 'hose' &&
              circuitsOf(j).lineOf(id) === 'supply' &&
              circuitsOf(job).lineOf(id) === 'supply',
          );
        const kept = order(l.assessment.findings.job);
        expect(kept, l.key).to.deep.equal(order(job).filter((id) => kept.includes(id)));
      }
  });
  it('is silent where nothing could be solved', () => {
    expect(recommend(all(cleanJob((j) => delete j.brief.power)))).to.equal(undefined);
  });
});

describe('stand-ins', () => {
  it('fill only what is missing', () => {
    expect(withStandIns(cleanJob())).to.deep.include({ assumed: [] });
    expect(withStandIns(cleanJob()).job).to.deep.equal(cleanJob());
    const { job, assumed } = withStandIns(
      cleanJob((j) => {
        delete get(j, 'hose').length;
        get(j, 'pump').tables = [];
      }),
    );
    expect(assumed).to.deep.equal(['Hanger pump', 'Hanger hose']);
    expect(get(job, 'hose').bore).to.deep.equal(get(cleanJob(), 'hose').bore);
    expect(findingsOf(job).solution).to.not.equal(undefined);
  });
});

describe('moving a regulator', () => {
  const places = ['tank', 'beforeRail', 'afterRail'] as const;
  it('puts it there, names the layout after it, and moves nothing else of the supply', () => {
    for (const start of [cleanJob(), afterRailJob(), demoJobs.flatBedTender])
      for (const to of places) {
        const { id } = get(start, 'regulator');
        const moved = applyAct(start, { act: 'moveRegulator', id, to });
        expect(regulatorPlace(moved, id), to).to.equal(to);
        const others = (job: Job) =>
          circuitsOf(job).order.filter((c) => c !== id && circuitsOf(job).lineOf(c) === 'supply');
        expect(others(moved)).to.deep.equal(others(start));
        expect(findingsOf(moved).faults).to.deep.equal([]);
      }
    expect(applyAct(cleanJob(), { act: 'moveRegulator', id: 'regulator-1', to: 'afterRail' }).layout.key).to.equal(
      'bypassAfterRail',
    );
  });
  it('by the tank shortens the return: its long line is kept aside', () => {
    const moved = applyAct(demoJobs.flatBedTender, { act: 'moveRegulator', id: 'regulator-1', to: 'tank' });
    const lines = (job: Job) =>
      circuitsOf(job)
        .parts.filter((p) => p.kind === 'hardLine' && circuitsOf(job).lineOf(p.id) === 'return')
        .map((p) => p.id);
    expect(lines(demoJobs.flatBedTender)).to.deep.equal(['hard-line-2']);
    expect(lines(moved)).to.deep.equal([]);
    expect(moved.parts['hard-line-2']).to.deep.include({
      aside: true,
      length: (demoJobs.flatBedTender.parts['hard-line-2'] as PartOf<'hardLine'>).length,
    });
    // and what a filter before it must survive is still said
    const hazard = (job: Job) =>
      assess(job)
        .snags.filter((s) => s.rule === 'part-below-dead-head')
        .map((s) => s.part);
    expect(hazard(moved)).to.include('filter-1');
  });
  it('by the tank takes the manifold reference off', () => {
    const moved = applyAct(afterRailJob(), { act: 'moveRegulator', id: 'regulator-1', to: 'tank' });
    expect(get(moved, 'regulator').referenced).to.equal(false);
  });
  it('leaves a dead-head regulator and a part that is none alone', () => {
    const job = changed(demoJobs.beachBuggy, () => undefined);
    expect(applyAct(job, { act: 'moveRegulator', id: 'regulator-1', to: 'tank' })).to.equal(job);
    expect(applyAct(cleanJob(), { act: 'moveRegulator', id: 'hose-1', to: 'tank' })).to.deep.equal(cleanJob());
  });
});
