import { expect } from 'chai';
import { act, afterRailJob, changed, cleanJob, get, putBehind, railsJob, twoPumpJob } from '../../test/rule-cases.ts';
import { awg } from '../demo/build.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { pumpClasses } from '../pumps/library.ts';
import { celsius } from '../units/quick.ts';
import { circuitsOf } from './circuits.ts';
import { deadHeads } from './dead-head.ts';
import { solveNetwork } from '../hydraulics/solve-network.ts';
import { fuelLiquid } from '../fluids/fuel.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { fuelOf } from '../reckoning/brief-values.ts';
import { originOf, pointKeys } from './operating-point.ts';
import { type RunSolution } from './solve-run.ts';
import { networkAt } from './network-at.ts';
import { wire } from '../../test/simple-wiring.ts';
import { wiredFeeds } from './wired-pumps.ts';
import { netDraw, potVolumeFor, secondsOf } from './swirl-pot.ts';

function solve(job: Job): RunSolution {
  const { solution, faults, needs } = findingsOf(job);
  if (!solution) throw new Error(JSON.stringify([faults, needs.map((n) => n.name)]));
  return solution;
}
const LPH = 3.6e6;
const si = (value: number, unit: string) => ({ si: value, unit });

const flowOf = (solution: RunSolution, key: (typeof pointKeys)[number], id: string) =>
  solution.points[key].parts.find((c) => c.id === id)!.flow * LPH;

describe('pumps side by side', () => {
  it('share the flow equally when they are alike, against the same pressure', () => {
    const solution = solve(twoPumpJob());
    for (const key of pointKeys) {
      expect(flowOf(solution, key, 'pump-1')).to.be.closeTo(flowOf(solution, key, 'pump-2'), 1e-4);
      expect(solution.points[key].pumpFlow * LPH).to.be.closeTo(2 * flowOf(solution, key, 'pump-1'), 1e-4);
    }
  });
  it('bring more margin than one, and less than twice as much: the line loses more', () => {
    const [one, two] = [solve(demoJobs.sprintCar).margin!, solve(twoPumpJob()).margin!];
    expect(two.available)
      .to.be.greaterThan(1.2 * one.available)
      .and.lessThan(2 * one.available);
  });
  it('draw current together', () => {
    expect(solve(twoPumpJob()).points.fullLoad.pumpCurrent! / solve(demoJobs.sprintCar).points.fullLoad.pumpCurrent!)
      .to.be.greaterThan(1.6)
      .and.lessThan(2.4);
  });
  it('start by demand: the second stands at idle and runs at full load', () => {
    const solution = solve(twoPumpJob({ runs: 'onDemand', startsAtDemand: si(100 / LPH, 'L/h') }));
    expect(flowOf(solution, 'idle', 'pump-2')).to.equal(0);
    expect(flowOf(solution, 'fullLoad', 'pump-2')).to.be.greaterThan(100);
  });
  it('a standing pump without a check valve lets fuel back: the rail gets less', () => {
    const staged = { runs: 'onBoost', startsAtBoost: si(400e3, 'kPa') } as const;
    const [held, leaking] = [solve(twoPumpJob(staged)), solve(twoPumpJob({ ...staged, checkValve: false }))];
    expect(flowOf(leaking, 'fullLoad', 'pump-2')).to.be.lessThan(-50);
    expect(leaking.margin!.available).to.be.lessThan(held.margin!.available);
  });
});

describe('dead-head pressures', () => {
  it('add up in series, take the strongest side by side, and start again at a pot', () => {
    const alone = deadHeads(circuitsOf(demoJobs.sprintCar), 13.5).pressure;
    expect(deadHeads(circuitsOf(twoPumpJob()), 13.5).pressure).to.equal(alone);
    const inSeries = changed(demoJobs.sprintCar, (j) => putBehind(j, 'pump-1', { ...get(j, 'pump'), id: 'pump-2' }));
    expect(deadHeads(circuitsOf(inSeries), 13.5).pressure).to.be.closeTo(2 * alone, 1);
    const { at } = deadHeads(circuitsOf(demoJobs.rescuePickup), 13.5);
    expect(at['hose-1']).to.equal(650e3); // behind the lift pump, capped by its own relief valve
    expect(at['hose-2']).to.equal(0); // between pot and pump
    expect(at['filter-1']).to.equal(650e3); // capped by the relief valve
  });
});

describe('a swirl pot', () => {
  it('balances: what is lifted and returned is drawn or runs over, and the rail is fed from it', () => {
    const { points } = solve(demoJobs.rescuePickup);
    for (const key of pointKeys) {
      const { pot, pumpFlow, returnFlow, railPressure, point } = points[key];
      expect(pot!.draw * LPH).to.be.closeTo(pumpFlow * LPH, 1e-4);
      expect(pot!.back * LPH).to.be.closeTo(returnFlow * LPH, 1e-4);
      expect((pot!.lift - pot!.overflow) * LPH).to.be.closeTo(point.demand * LPH, 1e-4);
      expect(railPressure - point.manifold).to.be.within(295e3, 312e3);
    }
  });
  it('runs down when the lift pump is too weak, by what is missing', () => {
    const { points } = solve(
      changed(demoJobs.rescuePickup, (j) => {
        get(j, 'pump').tables = pumpClasses.carburettor120;
        j.brief.power!.si *= 1.4;
      }),
    );
    const { pot, point } = points.fullLoadHot;
    expect(pot!.overflow).to.be.lessThan(0);
    expect((pot!.lift - pot!.overflow) * LPH).to.be.closeTo(point.demand * LPH, 1e-4);
  });
  // Oracle: a balance in steps of a millisecond, what is drawn out and what comes back in.
  it('with the pickup dry lasts as a time-stepped balance says, wherever the return goes', () => {
    for (const [draw, back] of [
      [200, 140],
      [200, 0],
      [150, 149],
    ] as const) {
      let [left, time] = [1e-3, 0];
      for (; left > 0; time += 1e-3) left += ((back - draw) / LPH) * 1e-3;
      const net = netDraw({ id: 'pot', lift: 0, overflow: 0, draw: draw / LPH, back: back / LPH });
      expect(secondsOf(1e-3, net) / time, `${draw} ${back}`).to.be.closeTo(1, 1e-3);
    }
    const { pot, point } = solve(demoJobs.rescuePickup).points.fullLoad;
    expect(netDraw(pot!), 'with the return to the pot the engine empties it').to.be.closeTo(point.demand, 1e-9);
  });
  it('lasts its volume over the flow, and is sized to the tenth of a litre', () => {
    expect(secondsOf(1e-3, 100 / LPH)).to.be.closeTo(36, 1e-9);
    expect(potVolumeFor(36, 100 / LPH)).to.be.closeTo(1e-3, 1e-12);
    expect(potVolumeFor(37, 100 / LPH)).to.be.closeTo(1.1e-3, 1e-12);
    expect(secondsOf(1e-3, 0)).to.equal(Infinity);
  });
});

describe('a pump under a controller', () => {
  it('holds the pressure at the sensor at every point, by less than full duty, and spills nothing', () => {
    const { points } = solve(demoJobs.islandShuttle);
    for (const key of pointKeys) {
      expect(points[key].railPressure).to.be.closeTo(500e3, 60);
      expect(points[key].duty).to.be.within(0.5, 0.99);
      expect(points[key].pumpFlow * LPH).to.be.closeTo(points[key].point.demand * LPH, 1e-4);
    }
    expect(points.fullLoad.duty!).to.be.greaterThan(points.idle.duty!);
    expect(points.fullLoadHot.duty!).to.be.greaterThan(points.fullLoad.duty!); // less voltage
  });
  it('with the sensor near the tank leaves out what the line loses', () => {
    const near = changed(demoJobs.islandShuttle, (j) => {
      act(j, { act: 'setAside', id: 'pressure-sensor-1' });
      putBehind(j, 'pump-1', { kind: 'tee', id: 'tee-1' });
      act(j, { act: 'takeUp', id: 'pressure-sensor-1', port: 'port', to: { part: 'tee-1', port: 'branch' } });
    });
    const { points } = solve(near);
    const outlet = (key: 'idle' | 'fullLoad') => points[key].parts.find((c) => c.id === 'pump-1')!.outletPressure;
    expect(outlet('fullLoad')).to.be.closeTo(500e3, 60);
    expect(points.fullLoad.railPressure).to.be.lessThan(points.idle.railPressure - 1e3);
  });
  it('that cannot reach its pressure runs at full duty, and the rail is what it is', () => {
    const { points } = solve(
      changed(demoJobs.islandShuttle, (j) => {
        get(j, 'pump').tables = pumpClasses.injection190;
        j.brief.power!.si *= 3;
      }),
    );
    expect(points.fullLoadHot.duty).to.equal(1);
    expect(points.fullLoadHot.railPressure).to.be.lessThan(480e3);
  });
  it('never gives less than its least duty: the rail then stands over its pressure', () => {
    const held = solve(demoJobs.islandShuttle).points.idle;
    const least = (held.duty! + 1) / 2;
    const { points } = solve(changed(demoJobs.islandShuttle, (j) => (get(j, 'pump').leastDuty = si(least, '%'))));
    expect(points.idle.duty).to.equal(least);
    expect(points.idle.railPressure).to.be.greaterThan(held.railPressure + 10e3);
  });
  it('makes up for its wiring by duty, and has none left where the wiring takes what it needs', () => {
    const wired = (length: number) =>
      changed(demoJobs.islandShuttle, (j) =>
        wire(j, { supply: awg(18), supplyLength: length, earth: awg(18), earthLength: 1, contacts: 0.015 }),
      );
    const [none, some, much] = [demoJobs.islandShuttle, wired(3), wired(60)].map(
      (job) => solve(job).points.fullLoadHot,
    );
    expect(some!.railPressure).to.be.closeTo(500e3, 60);
    expect(some!.duty!)
      .to.be.greaterThan(none!.duty! + 0.01)
      .and.at.most(1);
    // what the controller leaves of what the wiring leaves is what the pump has
    const pump = some!.parts.find((p) => p.id === 'pump-1')!;
    const ohms = wiredFeeds(wired(3).wiring)!.ohms('pump-1', 'pump-1', 'running');
    expect(some!.duty! * (some!.point.voltage - pump.current! * ohms)).to.be.closeTo(pump.voltage!, 5e-3);
    expect(much!.duty).to.equal(1);
    expect(much!.railPressure).to.be.lessThan(490e3);
  });
});

describe('two rails', () => {
  const fed = (feed: Parameters<typeof railsJob>[0]) => solve(railsJob(feed));
  it('hold their pressure and pass the same demand however they are fed', () => {
    for (const feed of ['single', 'series', 'parallel', 'crossover'] as const) {
      const { points } = fed(feed);
      for (const key of pointKeys) {
        expect(points[key].pumpFlow * LPH).to.be.closeTo(
          (points[key].point.demand + points[key].returnFlow) * LPH,
          1e-4,
        );
        expect(points[key].injectorPressure, feed).to.be.within(295e3, 315e3);
      }
    }
  });
  it('lose most in series, where all that is spilled passes both and the tube between them', () => {
    // from the end of the engine hose to the regulator
    const loss = (feed: Parameters<typeof railsJob>[0]) => {
      const { parts } = fed(feed).points.idle;
      const at = (id: string) => parts.find((c) => c.id === id)!;
      return at('hose-3').outletPressure - at('regulator-1').inletPressure;
    };
    expect(loss('series')).to.be.greaterThan(loss('parallel'));
    expect(loss('crossover')).to.be.lessThan(loss('series'));
  });
});

describe('operating points', () => {
  it('are seven, and the fitter’s own come after them', () => {
    const job = cleanJob(
      (j) =>
        (j.points = {
          own: [
            {
              id: 'row-1',
              label: 'Long climb',
              load: si(0.7, '%'),
              voltage: si(12, 'V'),
              temperature: si(celsius(45), '°C'),
            },
          ],
        }),
    );
    const { points } = solve(job);
    expect(Object.keys(points)).to.deep.equal([...pointKeys, 'row-1']);
    const climb = points['row-1']!;
    expect(climb.point.name).to.equal('Long climb');
    // as heavy, and so larger at 45 °C than full load is at 20
    const lighter = fuelLiquid(fuelOf(job)!, celsius(20)).density / fuelLiquid(fuelOf(job)!, celsius(45)).density;
    expect(climb.point.demand / points.fullLoad.point.demand).to.be.closeTo(0.7 * lighter, 1e-9);
    expect(climb.pumpFlow).to.be.lessThan(points.fullLoad.pumpFlow); // at 12 V
  });
  it('take their own voltage, level, temperature and dirt', () => {
    const plain = solve(cleanJob()).points.fullLoad;
    const at = (conditions: object) => solve(cleanJob((j) => (j.points = { fullLoad: conditions }))).points.fullLoad;
    expect(at({ voltage: si(12, 'V') }).pumpFlow).to.be.lessThan(plain.pumpFlow);
    expect(at({ level: si(1, '%') }).suctionMargin - plain.suctionMargin).to.be.closeTo(0.75 * 0.236, 5e-3);
    expect(at({ temperature: si(celsius(45), '°C') }).suctionMargin).to.be.lessThan(plain.suctionMargin - 3);
    const drop = (dirt: number) => {
      const filter = at({ dirt: si(dirt, '') }).parts.find((c) => c.id === 'filter-1')!;
      return (filter.inletPressure - filter.outletPressure) / filter.flow;
    };
    expect((drop(7) - drop(4)) / (drop(4) - drop(1))).to.be.closeTo(1, 0.03);
  });
  it('hot restart has the fuel at the engine hotter than in the tank', () => {
    const { hotRestart, idle } = solve(cleanJob()).points;
    expect(hotRestart.engineVapourMargin).to.be.lessThan(idle.engineVapourMargin - 100e3);
  });
  it('key-on says how long an empty line takes to fill', () => {
    const { prime } = solve(cleanJob());
    const body = 1.2e-4; // of the filter, typical
    const volume =
      body + (Math.PI / 4) * (0.14 * 0.008 ** 2 + 3.4 * 0.006 ** 2 + 0.42 * 0.008 ** 2 + 0.381 * 0.012 ** 2);
    expect(prime!.volume).to.be.closeTo(volume, 1e-6);
    expect(prime!.time).to.be.within(2.5, 4.5);
  });
});

describe('a run that cannot bring what the engine burns', () => {
  const weak = () =>
    afterRailJob((j) => {
      get(j, 'pump').tables = pumpClasses.carburettor120;
      j.brief.power!.si *= 3;
      j.brief.railPressure!.si = 3e5;
    });
  it('delivers less, with the rail at manifold pressure and nowhere below vacuum', () => {
    const { points } = solve(weak());
    const { delivered, point, railPressure, pumpFlow } = points.fullLoad;
    expect(railPressure).to.be.closeTo(point.manifold, 1);
    expect(delivered * LPH).to.be.within(60, 130);
    expect(pumpFlow * LPH).to.be.closeTo(delivered * LPH, 1e-3);
    expect(delivered).to.be.lessThan(point.demand);
    for (const p of Object.values(points))
      for (const c of p!.parts) expect(Math.min(c.inletPressure, c.outletPressure)).to.be.greaterThan(-101.325e3);
  });
});

describe('whose figure a condition is', () => {
  const said = (job: Job, key: string, condition: Parameters<typeof originOf>[2]) => {
    const { source, path } = originOf(job, key, condition);
    return `${source === 'chosen' || source === 'computed' ? source : 'typical'} ${path?.join(' ') ?? ''}`.trim();
  };
  let van: Job;
  beforeEach(() => (van = cleanJob()));
  it('is typical while nobody chose one, with the field to choose it in', () => {
    expect(said(van, 'idle', 'manifold')).to.equal('typical assumptions idleManifold');
    expect(said(van, 'cruise', 'voltage')).to.equal('typical assumptions runningVoltage');
    expect(said(van, 'fullLoadHot', 'voltage')).to.equal('typical assumptions lowVoltage');
    expect(said(van, 'fullLoadHot', 'temperature')).to.equal('typical assumptions hotFuelTemperature');
    expect(said(van, 'cruise', 'temperature')).to.equal('typical assumptions fuelTemperature');
    expect(said(van, 'keyOn', 'level')).to.equal('typical assumptions fuelLevel');
    expect(said(van, 'cruise', 'dirt')).to.equal('computed');
    expect(said(van, 'keyOn', 'manifold')).to.equal('computed');
  });
  it('is the job’s where the fitter changed it for all points', () => {
    const changedJob = cleanJob((j) => (j.assumptions.runningVoltage = si(14, 'V')));
    expect(said(changedJob, 'cruise', 'voltage')).to.equal('chosen assumptions runningVoltage');
  });
  it('is the point’s where it was set apart there, and nowhere else', () => {
    const job = cleanJob((j) => (j.points = { cruise: { voltage: si(13, 'V') } }));
    expect(said(job, 'cruise', 'voltage')).to.equal('chosen points cruise voltage');
    expect(said(job, 'idle', 'voltage')).to.equal('typical assumptions runningVoltage');
    expect(said(job, 'cruise', 'level')).to.equal('typical assumptions fuelLevel');
  });
  it('at full load the manifold is the engine’s, from the brief', () => {
    expect(said(van, 'fullLoad', 'manifold')).to.equal('chosen brief aspiration');
    const boosted = cleanJob((j) => Object.assign(j.brief, { aspiration: 'turbo', boost: si(80e3, 'kPa') }));
    for (const key of ['fullLoad', 'fullLoadHot'])
      expect(said(boosted, key, 'manifold')).to.equal('chosen brief boost');
    expect(said(boosted, 'cruise', 'manifold')).to.equal('typical assumptions cruiseManifold');
    expect(said(boosted, 'fullLoad', 'voltage')).to.equal('typical assumptions runningVoltage');
  });
  it('of the fitter’s own point is what he set there, and else as at any', () => {
    const job = cleanJob(
      (j) =>
        (j.points = { own: [{ id: 'hill', label: 'hill', load: si(0.7, '%'), level: si(0.1, '%') }, { id: 'ford' }] }),
    );
    expect(said(job, 'hill', 'level')).to.equal('chosen points own hill level');
    expect(said(job, 'hill', 'manifold')).to.equal('chosen points own hill manifold');
    expect(said(job, 'hill', 'temperature')).to.equal('typical assumptions fuelTemperature');
    expect(said(job, 'ford', 'level')).to.equal('typical assumptions fuelLevel');
  });
});

describe('what a solved run tells', () => {
  it('of a tank: what leaves it', () => {
    const { fullLoad } = solve(demoJobs.mailVan).points;
    expect(fullLoad.parts.find((p) => p.id === 'tank-1')!.flow * LPH).to.be.closeTo(fullLoad.pumpFlow * LPH, 1e-3);
  });
  it('when a pump works beyond the last row of its table, and not on it', () => {
    const cut = (rows: number) =>
      solve(
        cleanJob((j) => {
          for (const t of get(j, 'pump').tables!)
            t.rows = [...t.rows].sort((a, b) => a.pressure.si - b.pressure.si).slice(-rows);
        }),
      );
    expect(cut(99).beyondTable).to.equal(false);
    expect(cut(2).beyondTable).to.equal(true);
  });
  it('what the rail ought to have: the brief’s pressure, no more than the controller holds', () => {
    const { points } = solve(
      changed(demoJobs.islandShuttle, (j) => (get(j, 'pump').targetPressure = si(450e3, 'kPa'))),
    );
    expect(points.fullLoad.wanted).to.equal(450e3);
    expect(
      solve(changed(demoJobs.islandShuttle, (j) => (j.brief.railPressure = si(400e3, 'kPa')))).points.fullLoad.wanted,
    ).to.equal(400e3);
  });
  it('as a network for other engines, which has its answer: wiring, controller and demand in it', () => {
    const wired = cleanJob((j) => wire(j, { supply: awg(18), supplyLength: 5, earth: awg(18), earthLength: 2 }));
    for (const job of [wired, demoJobs.islandShuttle])
      for (const key of ['idle', 'fullLoad'] as const) {
        const result = solve(job).points[key];
        const solved = solveNetwork(networkAt(job, fuelOf(job)!, result));
        if (!solved.ok) throw new Error(solved.fault.code);
        const pump = result.parts.find((p) => p.id === 'pump-1')!;
        expect(solved.value.flows['pump-1']! * LPH, key).to.be.closeTo(pump.flow * LPH, 0.05);
      }
  });
});
