import fc from 'fast-check';
import { simpleWiring } from '../../test/simple-wiring.ts';
import { expect } from 'chai';
import { act, addPumpBeside, changed, get, railsJob } from '../../test/rule-cases.ts';
import { awg } from '../demo/build.ts';
import type { PartOf } from '../parts/kinds.ts';
import type { Job } from '../job/job.ts';
import { pumpClasses } from '../pumps/library.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { resultsOf, type RunSolution } from './solve-run.ts';
import { casesOf, seedOf, PATIENCE } from '../../test/search.ts';

const si = (value: number, unit: string) => ({ si: value, unit });
const LPH = 3.6e6;

/** Any run a fitter might lay out: one to three pumps, staged or not, a pot or none, one rail or two, lines of any size. */
const anyRun = fc.record({
  pot: fc.boolean(),
  pumps: fc.integer({ min: 1, max: 3 }),
  size: fc.constantFrom('injection190', 'injection255', 'injection340', 'injection450'),
  runs: fc.constantFrom('always', 'onDemand', 'onBoost'),
  checkValves: fc.boolean(),
  feed: fc.constantFrom('single', 'series', 'parallel', 'crossover'),
  feedBore: fc.double({ min: 4e-3, max: 14e-3, noNaN: true }),
  returnBore: fc.double({ min: 4e-3, max: 14e-3, noNaN: true }),
  length: fc.double({ min: 0.2, max: 8, noNaN: true }),
  dirt: fc.double({ min: 1, max: 8, noNaN: true }),
  level: fc.double({ min: 0, max: 1, noNaN: true }),
  power: fc.double({ min: 20e3, max: 700e3, noNaN: true }),
  wire: fc.constantFrom(undefined, awg(10), awg(18)),
});
type Choice = ReturnType<typeof anyRun.generate>['value'];

const runOf = (choice: Choice): Job =>
  changed(railsJob(choice.feed), (job) => {
    if (!choice.pot) withoutPot(job);
    const first = job.parts['pump-2'] as PartOf<'pump'>;
    if (choice.wire)
      job.wiring = simpleWiring({
        part: 'pump-2',
        supply: choice.wire,
        supplyLength: 4,
        earth: choice.wire,
        earthLength: 1,
      });
    Object.assign(first, { tables: pumpClasses[choice.size] });
    for (let i = 1; i < choice.pumps; i++)
      addPumpBeside(job, 'pump-2', `more-${i}`, {
        checkValve: choice.checkValves,
        runs: choice.runs,
        startsAtDemand: si(60 / LPH, 'L/h'),
        startsAtBoost: si(30e3, 'kPa'),
      });
    const line = { length: si(choice.length, 'mm') };
    Object.assign(job.parts['hose-3']!, { ...line, bore: si(choice.feedBore, 'mm') });
    Object.assign(job.parts['hose-4']!, { ...line, bore: si(choice.returnBore, 'mm') });
    get(job, 'filter').dirt = si(choice.dirt, '');
    job.assumptions.fuelLevel = si(choice.level, '%');
    job.brief.power = si(choice.power, 'kW');
  });

/** The high-pressure pump draws from the tank itself, and the return ends there. */
function withoutPot(job: Job): void {
  act(
    job,
    { act: 'takeOut', id: 'swirl-pot-1' },
    { act: 'takeOut', id: 'hose-9' },
    ...['pump-1', 'hose-1', 'hose-2'].map((id) => ({ act: 'takeOut', id }) as const),
    { act: 'connect', a: { part: 'sock-1', port: 'out' }, b: { part: 'pump-2', port: 'in' } },
    { act: 'connect', a: { part: 'hard-line-2', port: 'out' }, b: { part: 'tank-1', port: 'return-1' } },
    { act: 'setOnPart', id: 'pump-2', key: 'place', value: 'inTank' },
  );
}

function solved(job: Job): RunSolution | undefined {
  const { solution, faults } = findingsOf(job);
  if (!solution) expect(faults.map((f) => f.code)).to.not.deep.equal([]);
  return solution;
}

describe('any run', () => {
  it('is solved, or its fault is named; every number is one, and fuel is neither made nor lost', function () {
    this.timeout(PATIENCE);
    fc.assert(
      fc.property(anyRun, (choice) => {
        const solution = solved(runOf(choice));
        if (!solution) return;
        for (const p of resultsOf(solution)) {
          expect(p.delivered).to.be.at.most(p.point.demand * (1 + 1e-9));
          expect((p.pumpFlow - p.delivered - p.returnFlow - p.reliefFlow) * LPH).to.be.closeTo(0, 1e-3);
          if (p.pot) expect((p.pot.lift + p.pot.back - p.pot.draw - p.pot.overflow) * LPH).to.be.closeTo(0, 1e-3);
          for (const c of p.parts)
            for (const value of [c.inletPressure, c.outletPressure, c.flow])
              expect(Number.isFinite(value)).to.equal(true);
          expect(Number.isFinite(p.suctionMargin + p.engineVapourMargin)).to.equal(true);
        }
      }),
      { seed: seedOf(401), numRuns: casesOf(400) },
    );
  });
  const pairs = (change: (choice: Choice) => Partial<Choice>, holds: (a: RunSolution, b: RunSolution) => void) =>
    fc.assert(
      fc.property(anyRun, (choice) => {
        const [a, b] = [solved(runOf(choice)), solved(runOf({ ...choice, ...change(choice) }))];
        if (a && b) holds(a, b);
      }),
      { seed: seedOf(402), numRuns: casesOf(120) },
    );
  it('more dirt never raises the rail', function () {
    this.timeout(PATIENCE);
    pairs(
      (c) => ({ dirt: c.dirt * 2 }),
      (a, b) => {
        for (const p of resultsOf(a)) expect(b.points[p.point.key]!.railPressure).to.be.at.most(p.railPressure + 50);
      },
    );
  });
  it('a smaller return never lowers the creep', function () {
    this.timeout(PATIENCE);
    pairs(
      (c) => ({ returnBore: c.returnBore * 0.7 }),
      (a, b) => expect(b.points.idle.railPressure).to.be.at.least(a.points.idle.railPressure - 50),
    );
  });
  it('a higher level never takes head from the pump in the tank', function () {
    this.timeout(PATIENCE);
    pairs(
      (c) => ({ level: Math.min(1, c.level + 0.3) }),
      (a, b) => expect(b.points.fullLoadHot.suctionMargin).to.be.at.least(a.points.fullLoadHot.suctionMargin - 1e-3),
    );
  });
  it('another pump that always runs, with its check valve, never takes from the margin', function () {
    this.timeout(PATIENCE);
    pairs(
      () => ({ pumps: 3, runs: 'always', checkValves: true }),
      (a, b) => {
        if (a.margin && b.margin && a.margin.margin > -0.9)
          expect(b.margin.available).to.be.at.least(a.margin.available * 0.999);
      },
    );
  });
});
