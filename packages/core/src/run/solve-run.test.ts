import { expect } from 'chai';
import { afterRailJob, carburettorJob, cleanJob, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { workingsOf } from '../working/workings.ts';
import { HeightFill } from './heights.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { pointKeys } from './operating-point.ts';
import { pressureProfile } from './profile.ts';
import type { RunSolution } from './solve-run.ts';

function solve(job: Job): RunSolution {
  const { solution, faults, needs } = findingsOf(job);
  if (!solution) throw new Error(JSON.stringify([faults, needs.map((n) => n.name)]));
  return solution;
}
const LITRES_PER_HOUR = 3.6e6;

describe('what the usual points leave out of a circuit', () => {
  const { wiring } = demoJobs.mailVan;
  const cranking = (harness: Job['wiring']) =>
    findingsOf(cleanJob((j) => (j.wiring = harness))).solution!.wired!.cranking;
  const withBattery = (change: object | undefined): Job['wiring'] => {
    const others = wiring!.devices!.filter((d) => d.kind !== 'battery');
    const batteries = wiring!.devices!.filter((d) => d.kind === 'battery');
    return { ...wiring!, devices: [...others, ...(change ? batteries.map((d) => ({ ...d, ...change })) : [])] };
  };
  it('is cranking, at what the battery keeps then, against a manifold without vacuum', () => {
    const { point } = cranking(wiring)!;
    expect(point).to.deep.include({ key: 'cranking', manifold: 0, feed: 'cranking' });
    expect(point.voltage).to.be.within(8, 11);
    const weak = cranking(withBattery({ cranking: { si: 8.5, unit: 'V' } }))!;
    expect(weak.point.voltage).to.be.closeTo(8.5, 1e-9);
    expect(weak.pumpFlow).to.be.lessThan(cranking(wiring)!.pumpFlow);
  });
  it('is nothing at cranking where no battery stands', () => {
    expect(cranking(withBattery(undefined))).to.equal(undefined);
    expect(cranking(withBattery({ stands: 'out' }))).to.equal(undefined);
  });
});

describe('a solved run', () => {
  for (const [name, job] of Object.entries({
    mailVan: demoJobs.mailVan,
    tender: demoJobs.flatBedTender,
    sprint: demoJobs.sprintCar,
  }))
    it(`conserves fuel at every operating point: pump = engine + return (${name})`, () => {
      const { points } = solve(job);
      for (const key of pointKeys) {
        const p = points[key];
        expect(p.pumpFlow * LITRES_PER_HOUR).to.be.closeTo((p.delivered + p.returnFlow) * LITRES_PER_HOUR, 1e-6);
      }
    });
  it('holds the regulator’s own inlet at set pressure plus slope times spill, manifold included', () => {
    const job = afterRailJob();
    const { points } = solve(job);
    for (const key of pointKeys) {
      const held = points[key].parts.find((c) => c.id === 'regulator-1')!;
      const slope = 3e3 / (100 / LITRES_PER_HOUR); // the typical 3 kPa per 100 L/h
      expect(held.state).to.equal('regulating');
      expect(held.inletPressure).to.be.closeTo(4e5 + points[key].point.manifold + slope * held.flow, 0.5);
    }
  });
  it('keeps injector pressure steady with a manifold reference, and not without', () => {
    const spread = (job: Job) => {
      const values = pointKeys.map((k) => solve(job).points[k].injectorPressure);
      return Math.max(...values) - Math.min(...values);
    };
    expect(spread(afterRailJob())).to.be.lessThan(10e3);
    expect(spread(cleanJob())).to.be.greaterThan(60e3);
  });
  it('reads 4 psi less the droop at a carburettor, at any demand', () => {
    for (const key of pointKeys) {
      const p = solve(carburettorJob()).points[key];
      expect(p.railPressure).to.be.within(0.85 * 4 * 6894.757, 4 * 6894.757 + 1);
    }
  });
  it('draws an external pump’s inlet below atmosphere by what the suction line loses', () => {
    const [short, long] = [0.45, 3].map((length) => solve(carburettorJob((j) => (get(j, 'hose').length!.si = length))));
    expect(long!.points.fullLoadHot.suctionMargin).to.be.lessThan(short!.points.fullLoadHot.suctionMargin);
  });
  it('says that a relief valve caps the dead-head pressure', () => {
    expect(solve(cleanJob()).deadHead).to.deep.include({ pressure: 650e3, beyondTable: false, relieved: true });
    expect(solve(cleanJob((j) => delete get(j, 'pump').reliefPressure)).deadHead.pressure).to.be.closeTo(
      740e3 * (14.4 / 13.5) ** 2,
      1,
    ); // at charging voltage
  });
  it('has a pressure profile that joins up from tank to rail and from regulator to tank', () => {
    const { spans, points } = solve(afterRailJob());
    const profile = pressureProfile(spans, points.fullLoad);
    for (let i = 2; i < profile.length; i += 2) {
      expect(profile[i]!.distance).to.be.closeTo(profile[i - 1]!.distance, 1e-9);
      const fromRegulator = profile[i]!.part === 'hose-3';
      if (!fromRegulator) expect(profile[i]!.pressure).to.be.closeTo(profile[i - 1]!.pressure, 1e-6);
    }
  });
  it('gives a margin that full load really has: at that demand the rail just holds 95 %', () => {
    const { margin } = solve(demoJobs.sprintCar);
    // draw what the margin says can be delivered, in the hot, low-voltage case
    const job = structuredClone(demoJobs.sprintCar);
    job.brief.power!.si *= 1 + margin!.margin;
    const rail = solve(job).points.fullLoadHot.railPressure;
    expect(rail / margin!.heldPressure).to.be.closeTo(1, 2e-3);
  });
});

describe('working', () => {
  it('of the rail pressure adds up to it, part by part', () => {
    for (const job of [cleanJob(), afterRailJob(), carburettorJob()])
      for (const working of workingsOf(findingsOf(job)).filter((w) => w.key.startsWith('railPressure'))) {
        const sum = working.parts.reduce((total, part) => total + part.figure.si, 0);
        expect(sum).to.be.closeTo(working.result.si, 1e-6);
      }
  });
  it('names every typical value that stands in for a measurement', () => {
    const remarks = (job: Job) =>
      workingsOf(findingsOf(job))
        .find((w) => w.key === 'railPressure:idle')!
        .remarks.join(' ');
    expect(remarks(cleanJob())).to.include('Tank regulator: rise per 100 L/h').and.not.include('seat bore');
    expect(remarks(cleanJob((j) => delete get(j, 'regulator').seatBore))).to.include(
      'Tank regulator: seat bore, wide open',
    );
    expect(remarks(cleanJob((j) => delete get(j, 'hose', 1).construction))).to.include(
      'Engine feed hose: roughness of a rubber liner',
    );
    const injectors = cleanJob((j) => {
      delete get(j, 'rail').injectors;
      delete j.brief.injectors;
    });
    expect(remarks(injectors)).to.include('Fuel rail: four injectors');
  });
  it('of demand and margin follows its own formula', () => {
    const all = workingsOf(findingsOf(demoJobs.sprintCar));
    const term = (key: string, symbol: string) =>
      all.find((w) => w.key === key)!.terms.find((t) => t.symbol === symbol)!.figure.si;
    const demand = (term('demand', 'P') * term('demand', 'b') * (14.7 / term('demand', 'AFR'))) / term('demand', 'ρ');
    expect(demand / all.find((w) => w.key === 'demand')!.result.si).to.be.closeTo(1, 1e-9);
    expect(term('pumpMargin', 'Qₐ') / term('pumpMargin', 'Qₑ') - 1).to.be.closeTo(
      all.find((w) => w.key === 'pumpMargin')!.result.si,
      1e-12,
    );
  });
});

describe('heights along the run', () => {
  const chain = (n: number) =>
    Array.from({ length: n - 1 }, (_, i) => ({ from: i, to: i + 1, hangs: false, length: 1 }));
  it('are set evenly between known neighbours and kept at the ends', () => {
    const fill = new HeightFill(
      6,
      chain(6),
      new Map([
        [1, 0],
        [4, 0.6],
      ]),
      [],
    );
    [0, 0, 0.2, 0.4, 0.6, 0.6].forEach((h, i) => expect(fill.at([])[i]).to.be.closeTo(h, 1e-6));
    expect([...new HeightFill(2, chain(2), new Map(), []).at([])]).to.deep.equal([0, 0]);
  });
  it('lie along a line in proportion to its length, and next to what has none', () => {
    const lengths = [1, 3, 0, 4];
    const edges = lengths.map((length, i) => ({ from: i, to: i + 1, hangs: false, length }));
    const fill = new HeightFill(
      5,
      edges,
      new Map([
        [0, 0],
        [4, 0.8],
      ]),
      [],
    );
    [0, 0.1, 0.4, 0.4, 0.8].forEach((h, i) => expect(fill.at([])[i]).to.be.closeTo(h, 2e-4));
  });
  it('where lines meet, lie at the mean of what they lead to', () => {
    const star = [0, 1, 2].map((from) => ({ from, to: 3, hangs: false, length: 1 }));
    const fill = new HeightFill(
      4,
      star,
      new Map([
        [0, 0],
        [1, 0.3],
        [2, 0.9],
      ]),
      [],
    );
    expect(fill.at([])[3]).to.be.closeTo(0.4, 1e-6);
  });
  it('of a return begin at the regulator, which the return does not pull down', () => {
    // supply 0 .. 2 at 0 to 0.6, a spill from 1, two lengths of return to the open end 5
    const edges = [
      ...chain(3),
      ...[
        { from: 1, to: 3, hangs: true },
        { from: 3, to: 4, hangs: false },
        { from: 4, to: 5, hangs: false },
      ].map((e) => ({ ...e, length: 1 })),
    ];
    const fill = new HeightFill(
      6,
      edges,
      new Map([
        [0, 0],
        [2, 0.6],
      ]),
      [5],
    );
    const at = fill.at([0]);
    expect(at[1]).to.be.closeTo(0.3, 1e-6);
    expect(at[3]).to.be.closeTo(0.2, 1e-6);
    expect(fill.at([0.3])[3]).to.be.closeTo(0.3, 1e-6);
  });
});
