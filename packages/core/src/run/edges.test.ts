import { expect } from 'chai';
import fc from 'fast-check';
import { carburettorJob, changed, cleanJob, expectSnag, get, snagsOfRule } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { fuelLiquid } from '../fluids/fuel.ts';
import { linkLoss } from '../hydraulics/link-loss.ts';
import { EXIT, SHARP_ENTRANCE } from '../hydraulics/loss-coefficient.ts';
import type { Job } from '../job/job.ts';
import type { PartOf } from '../parts/kinds.ts';
import { celsius } from '../units/quick.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { fuelOf } from '../reckoning/brief-values.ts';
import { fuelAt } from './fuel-at.ts';
import { pointKeys } from './operating-point.ts';
import { resultsOf, type RunSolution } from './solve-run.ts';

const si = (value: number, unit = '') => ({ si: value, unit });
const mm = (value: number) => si(value / 1000, 'mm');
const LPH = 3.6e6;
function solve(job: Job): RunSolution {
  const { solution, faults, needs } = findingsOf(job);
  if (!solution) throw new Error(JSON.stringify([faults, needs.map((n) => n.name)]));
  return solution;
}

/** The carburetted buggy, fed through a suction hose of some bore, 2 m long. */
const throughHose = (bore: number, change: (j: Job) => void = () => undefined) =>
  carburettorJob((j) => {
    change(j);
    Object.assign(j.parts['hose-1'] as PartOf<'hose'>, { bore: mm(bore), length: si(2, 'm') });
  });

describe('a pump that draws at the pressure where its fuel boils', () => {
  const hot = (bore: number) =>
    throughHose(bore, (j) => Object.assign(j.assumptions, { hotFuelTemperature: si(celsius(52), '°C') }));
  it('passes what a line whose drop is the head over vapour passes: a closed form', () => {
    const job = hot(2);
    const { points } = solve(job);
    const result = points.fullLoadHot;
    expect(result.choked).to.deep.equal(['pump-1']);
    const pump = result.parts.find((p) => p.id === 'pump-1')!;
    const fuel = fuelAt(job, fuelOf(job)!, result.point.temperature);
    // bernoulli from the surface to the inlet, the hose's friction, its way in and the step to the pump's place
    expect(pump.inletPressure).to.be.closeTo(fuel.boiling!, 1);
    const hose = result.parts.find((p) => p.id === 'hose-1')!;
    const bare = { kind: 'line', length: 2, bore: 0.002, roughness: 1e-5 } as const;
    const loss = (k: number) => linkLoss({ ...bare, loss: { k1: 0, kInfinity: k } }, hose.flow, fuel).loss;
    const dropped = hose.inletPressure - hose.outletPressure - hose.lift;
    expect(dropped).to.be.within(loss(0), loss(SHARP_ENTRANCE + EXIT));
  });
  it('is told at the point, in the margin and as a snag, and the engine gets no more than that', () => {
    const wide = solve(hot(8));
    const narrow = solve(hot(2));
    expect(wide.points.fullLoadHot.choked).to.deep.equal([]);
    expect(narrow.points.fullLoadHot.suctionMargin).to.be.closeTo(0, 1e-3);
    expect(narrow.points.fullLoadHot.delivered).to.be.lessThan(narrow.points.fullLoadHot.point.demand);
    expect(narrow.margin!.margin).to.be.lessThan(wide.margin!.margin);
    expect(narrow.margin!.available).to.be.closeTo(narrow.points.fullLoadHot.delivered, 1e-7);
  });
  it('diesel never does', () => {
    const diesel = hot(2);
    const job = changed(diesel, (j) => Object.assign(j.brief, { fuel: 'diesel' }));
    for (const r of resultsOf(solve(job))) expect(r.choked).to.deep.equal([]);
  });
  it('gives way for a high point before it: the pressure there is what may not fall below boiling', () => {
    const job = changed(hot(3), (j) => (j.joints['filter-1-in']!.height = si(0.45, 'mm')));
    const result = solve(job).points.fullLoadHot;
    const fuel = fuelAt(job, fuelOf(job)!, result.point.temperature);
    const hill = result.parts.find((p) => p.id === 'filter-1')!;
    expect(result.choked).to.deep.equal(['pump-1']);
    expect(hill.inletPressure).to.be.closeTo(fuel.boiling!, 3);
    expect(hill.outletPressure).to.be.greaterThan(hill.inletPressure + 1000);
    expect(result.suctionMargin, 'at the pump itself there is more').to.be.greaterThan(0.1);
    expect(snagsOfRule(job, 'suction-margin')[0]!.what).to.include('high point');
    expect(snagsOfRule(hot(2), 'suction-margin')[0]!.what).to.include('inlet');
  });
  it('gives way for a hump within a line too: half its loss, and the whole lift, come before it', () => {
    const hump = (height?: number) =>
      changed(hot(3), (j) => height !== undefined && Object.assign(j.parts['hose-1']!, { highest: mm(height) }));
    const flat = solve(hump()).points.fullLoadHot;
    const result = solve(hump(900)).points.fullLoadHot;
    expect(flat.choked).to.deep.equal([]);
    expect(result.choked).to.deep.equal(['pump-1']);
    const fuel = fuelAt(hump(), fuelOf(hump())!, result.point.temperature);
    const hose = result.parts.find((p) => p.id === 'hose-1')!;
    const line = {
      kind: 'line',
      length: 1,
      bore: 0.003,
      roughness: 1e-5,
      loss: { k1: 0, kInfinity: SHARP_ENTRANCE },
    } as const;
    const level = result.point.level * hump().survey.tank.depth!.si;
    const there = -fuel.density * 9.80665 * (0.9 - level) - linkLoss(line, hose.flow, fuel).loss; // Bernoulli from the surface on
    expect(there).to.be.closeTo(fuel.boiling!, 60);
    // a hump that is no higher than the ends, and a line that is not drawn through, lose nothing by it
    expect(solve(hump(0)).points.fullLoad.railPressure).to.be.closeTo(solve(hump()).points.fullLoad.railPressure, 0.5);
  });
});

describe('hot fuel', () => {
  it('is wanted by mass: at 50 °C full load takes as much more litres as it is lighter', () => {
    const job = cleanJob();
    const { points } = solve(job);
    const density = (t: number) => fuelLiquid(fuelOf(job)!, celsius(t)).density;
    expect(points.fullLoadHot.point.demand / points.fullLoad.point.demand).to.be.closeTo(
      density(20) / density(50),
      1e-9,
    );
    expect(density(20) / density(50)).to.be.within(1.02, 1.04);
  });
});

describe('the worst suction', () => {
  it('lays every extreme on the point that draws most, and is worse than all points', () => {
    for (const key of ['mailVan', 'rescuePickup', 'sprintCar'] as const) {
      const { worstSuction: worst, points } = solve(demoJobs[key]);
      const least = Math.min(...pointKeys.map((k) => points[k].suctionMargin));
      expect(worst!.result.suctionMargin, key).to.be.lessThan(least);
      expect(worst!.extremes, key).to.include.members(['hot', 'dirty', 'low']);
      expect(worst!.result.point.voltage).to.equal(14.4);
    }
  });
  // Monotone: each extreme by itself never leaves more in hand, nor does more voltage lower the dead-head pressure.
  it('never gains from heat, dirt, a lower level or a higher lift; dead-head never falls with voltage', () => {
    const step = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(step, step, fc.constantFrom('heat', 'dirt', 'level', 'lift'), (a, b, what) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        const margin = (x: number) => {
          const job = carburettorJob((j) => {
            if (what === 'heat') j.assumptions.hotFuelTemperature = si(celsius(20 + 30 * x), '°C');
            if (what === 'dirt') j.assumptions.dirtyStrainer = si(1 + 10 * x);
            if (what === 'level') j.assumptions.fuelLevel = si(1 - 0.9 * x, '%');
            if (what === 'lift') get(j, 'pump').inletHeight = mm(-400 + 300 * x);
          });
          const s = solve(job);
          return [s.worstSuction!.result.suctionMargin, s.points.fullLoadHot.suctionMargin];
        };
        const [was, is] = [margin(less), margin(more)];
        is.forEach((m, i) => expect(m).to.be.at.most(was[i]! + 1e-6));
      }),
      { seed: 10, numRuns: 25 },
    );
    const deadHead = (volts: number) =>
      solve(
        cleanJob((j) => {
          j.assumptions.chargingVoltage = si(volts, 'V');
          delete get(j, 'pump').reliefPressure;
        }),
      ).deadHead.pressure;
    for (let v = 12; v < 15; v += 0.5) expect(deadHead(v + 0.5)).to.be.greaterThan(deadHead(v));
  });
});

describe('a narrow vent', () => {
  it('lowers every pressure before the pump by the vacuum it costs', () => {
    const at = (bore: number) =>
      cleanJob((j) => (j.survey.vent = { ...j.survey.vent, bore: mm(bore), length: si(3, 'm') }));
    const [wide, narrow] = [solve(at(12)), solve(at(1.2))];
    const vacuum = findingsOf(at(1.2)).vent!.vacuum!;
    expect(vacuum).to.be.greaterThan(500);
    const inlet = (s: RunSolution) => s.points.fullLoad.parts.find((p) => p.id === 'pump-1')!.inletPressure;
    expect(inlet(wide) - inlet(narrow)).to.be.closeTo(vacuum, 0.02 * vacuum);
    expect(narrow.points.fullLoad.point.tankPressure).to.be.closeTo(-vacuum, 1e-6);
    expect(narrow.worstSuction!.result.suctionMargin).to.be.lessThan(wide.worstSuction!.result.suctionMargin - 0.05);
  });
});

describe('a tank without a vent line', () => {
  const by = (change: object) =>
    cleanJob((j) => {
      delete j.survey.vent;
      delete j.survey.tank.vent;
      delete j.survey.tank.cap;
      Object.assign(j.survey.tank, change);
    });
  it('breathes through a vented cap, which opens at some vacuum', () => {
    const { fullLoad, keyOn } = solve(by({ vent: 'none', cap: 'vented' })).points;
    expect(fullLoad.point.tankPressure).to.equal(-1000);
    expect(keyOn.point.tankPressure, 'nothing is burnt').to.be.closeTo(0, 1e-9);
    const stiff = solve(by({ vent: 'none', cap: 'vented', capOpensAt: si(2500, 'kPa') })).points.fullLoad;
    expect(fullLoad.suctionMargin - stiff.suctionMargin).to.be.closeTo(1500 / (9.80665 * 749), 0.01);
  });
  it('with breathers tied to one another, or its cap closed off, has no air: a stop', () => {
    for (const bad of [
      { vent: 'tied', cap: 'sealed' },
      { vent: 'none', cap: 'capped' },
      { vent: 'tied', cap: 'capped' },
    ]) {
      expectSnag('tank-vent', by({ ...bad, cap: 'vented' }), by(bad), 'stop');
      expect(solve(by(bad)).points.fullLoad.point.tankPressure).to.be.closeTo(0, 1e-9);
    }
    expect(snagsOfRule(by({ vent: 'canister', cap: 'sealed' }), 'tank-vent')).to.deep.equal([]);
    expect(snagsOfRule(by({ vent: 'tied' }), 'tank-vent'), 'the cap is not known').to.deep.equal([]);
  });
});

describe('manifold vacuum', () => {
  it('helps injectors behind the throttle, and none above it', () => {
    const at = (injectorsSit?: 'behindThrottle' | 'aboveThrottle') =>
      solve(cleanJob((j) => (j.brief.injectorsSit = injectorsSit))).points.idle;
    expect(at().injectorPressure).to.be.closeTo(at().railPressure + 60e3, 1);
    expect(at('behindThrottle').injectorPressure).to.equal(at().injectorPressure);
    expect(at('aboveThrottle').injectorPressure).to.equal(at('aboveThrottle').railPressure);
    const { idle } = solve(carburettorJob()).points;
    expect(idle.injectorPressure).to.equal(idle.railPressure);
  });
});

describe('a regulator that is set at a flow', () => {
  const held = (setAt: 'spring' | 'heldOn' | 'idle') =>
    solve(cleanJob((j) => Object.assign(get(j, 'regulator'), { setAt, slope: si(10e3, 'kPa'), referenced: false })));
  const at = (s: RunSolution, key: 'keyOn' | 'idle' | 'fullLoad') =>
    s.points[key].parts.find((p) => p.id === 'regulator-1')!;
  it('reads its set pressure there, and less where it spills less', () => {
    const set = get(cleanJob(), 'regulator').setPressure!.si;
    expect(at(held('heldOn'), 'keyOn').inletPressure).to.be.closeTo(set, 3);
    expect(at(held('idle'), 'idle').inletPressure).to.be.closeTo(set, 3);
    const spring = at(held('spring'), 'keyOn');
    expect(spring.inletPressure - set).to.be.closeTo((10e3 / (100 / LPH)) * spring.flow, 3);
    const full = at(held('heldOn'), 'fullLoad');
    expect(full.inletPressure - set).to.be.closeTo(
      (10e3 / (100 / LPH)) * (full.flow - at(held('heldOn'), 'keyOn').flow),
      3,
    );
  });
  it('of the dead-head kind holds its set pressure at no flow', () => {
    const { keyOn, overrun } = solve(carburettorJob()).points;
    for (const point of [keyOn, overrun]) {
      const regulator = point.parts.find((p) => p.id === 'regulator-1')!;
      expect(regulator.state).to.equal('regulating');
      expect(regulator.outletPressure).to.be.closeTo(27_579, 1);
    }
  });
});

describe('priming', () => {
  it('fills lines, rails, branches and the filter’s body, and after standing what ran back', () => {
    const { prime } = solve(cleanJob());
    const line = (bore: number, length: number) => (Math.PI / 4) * bore ** 2 * length;
    expect(prime!.volume).to.be.greaterThan(1.2e-4 + line(0.011, 0.4));
    expect(prime).to.include({ isHeld: true, drainedVolume: 0 });
    const open = solve(cleanJob((j) => delete get(j, 'pump').checkValve)).prime!;
    expect(open.isHeld).to.equal(false);
    expect(open.drainedVolume).to.be.within(0.3 * open.volume, open.volume);
    expect(open.drainedTime / open.time).to.be.closeTo(open.drainedVolume / open.volume, 1e-9);
    const high = solve(
      cleanJob((j) => {
        delete get(j, 'pump').checkValve;
        j.assumptions.fuelLevel = si(1, '%');
      }),
    ).prime!;
    expect(high.drainedVolume).to.be.lessThan(open.drainedVolume);
  });
  it('both rails of an engine are filled', () => {
    const rail = solve(demoJobs.rescuePickup).prime!.volume;
    const shorter = changed(demoJobs.rescuePickup, (j) => (get(j, 'rail', 1).length = mm(100)));
    expect(rail - solve(shorter).prime!.volume).to.be.greaterThan(2e-5);
  });
});
