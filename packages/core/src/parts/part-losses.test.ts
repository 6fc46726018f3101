import { expect } from 'chai';
import { act, changed, cleanJob, get, railsJob } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { screenLoss } from '../hydraulics/woven-screen.ts';
import { linkLoss } from '../hydraulics/link-loss.ts';
import { bendLoss, fittingLoss } from '../hydraulics/loss-coefficient.ts';
import { frictionFactor } from '../hydraulics/friction-factor.ts';
import type { LinkLaw } from '../hydraulics/network.ts';
import type { Job } from '../job/job.ts';
import { compileRun } from '../run/compile-run.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { kindOf, type Part, type PartOf } from './kinds.ts';
import { filter } from './filter/filter.ts';
import type { Lowered, Moment, Site } from './lower.ts';
import { STOPPED_PUMP } from '../hydraulics/network.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const petrol = { density: 745, viscosity: 0.53e-3 };
const flow = 180 / 3.6e6;
const loss = (law: LinkLaw) => linkLoss(law, flow, petrol).loss;
const velocityHead = (bore: number) => (petrol.density / 2) * (flow / ((Math.PI / 4) * bore ** 2)) ** 2;

/** A place with nothing on either side but what is said. */
const site = (rest: Partial<Site> = {}): Site => ({
  boreBeyond: () => undefined,
  isVesselBeyond: () => false,
  isMated: () => true,
  flowsIn: (port) => port === 'in' || port === 'a' || port === 'stem' || port === 'port-1',
  endHeight: () => undefined,
  isBeside: false,
  isSuction: false,
  ports: ['in', 'out'],
  tankDepth: 0.2,
  railHeight: 0.5,
  injectors: 4,
  jet: undefined,
  ...rest,
});
const lower = (part: Part, rest: Partial<Site> = {}): Lowered => kindOf(part).lower(part, site(rest));
const moment = { point: { dirt: 1, strainerDirt: 1 }, liquid: petrol, voltageAt: () => 13.5 } as unknown as Moment;
const laws = (low: Lowered) => low.links.map((l) => (typeof l.law === 'function' ? l.law(moment) : l.law));

describe('losses of parts', () => {
  // Closed form: K times the velocity head in the part's own bore.
  it('a leg of a Y and a port of a block cost their K on their own bore, and the way in nothing', () => {
    const y = lower({ kind: 'y', id: 'y', bore: mm(8) }, { ports: ['stem', 'left', 'right'] });
    const [stem, left] = laws(y);
    expect(loss(stem!)).to.be.closeTo(0, 0.5);
    expect(loss(left!)).to.be.closeTo(0.6 * velocityHead(0.008), 0.5);
    const block = lower({ kind: 'block', id: 'b', bore: mm(8) }, { ports: ['port-1', 'port-2', 'port-3'] });
    expect(loss(laws(block)[1]!)).to.be.closeTo(1.3 * velocityHead(0.008), 0.5);
    const joining = lower(
      { kind: 'y', id: 'y', bore: mm(8) },
      { ports: ['stem', 'left', 'right'], flowsIn: (port) => port !== 'stem' },
    );
    expect(loss(laws(joining)[1]!)).to.be.closeTo(velocityHead(0.008), 0.5);
  });
  it('a tee costs Darby’s loss straight through and round its corner', () => {
    const tee = lower({ kind: 'tee', id: 't', bore: mm(8) }, { ports: ['a', 'b', 'branch'] });
    const [a, b, branch] = laws(tee) as (LinkLaw & { kind: 'line' })[];
    const [run, corner] = [fittingLoss('teeRun', 0.008), fittingLoss('teeBranch', 0.008)];
    expect(a!.loss.kInfinity + b!.loss.kInfinity).to.be.closeTo(run.kInfinity, 1e-12);
    expect(a!.loss.k1 + branch!.loss.k1).to.be.closeTo(corner.k1, 1e-9);
    expect(a!.loss.kInfinity + branch!.loss.kInfinity).to.be.closeTo(corner.kInfinity, 1e-12);
  });
  it('where several ports meet in a body of unknown bore there is one place and no loss', () => {
    const low = lower({ kind: 'y', id: 'y' }, { ports: ['stem', 'left', 'right'] });
    expect(low.links).to.deep.equal([]);
    expect(low.ties).to.have.length(3);
  });
  it('a smaller leg costs by the fourth power of its bore', () => {
    const leg = (bore: number) =>
      loss(laws(lower({ kind: 'y', id: 'y', bore: mm(bore) }, { ports: ['stem', 'left', 'right'] }))[1]!);
    expect(leg(4) / leg(8)).to.be.closeTo(16, 0.01);
  });
  it('a stated coefficient wins over the shape', () => {
    const fitting: PartOf<'fitting'> = { kind: 'fitting', id: 'f', shape: 'banjo', bore: mm(8) };
    expect(loss(laws(lower(fitting))[0]!)).to.be.closeTo(3 * velocityHead(0.008), 0.5);
    const stated = laws(lower({ ...fitting, lossCoefficient: { si: 7, unit: '' } }))[0]!;
    expect(loss(stated)).to.be.closeTo(7 * velocityHead(0.008), 0.5);
  });
  // Rennels & Hudson 15.1; the sum for 30° at r/D 4.975 and Re 1e5 in a smooth pipe, 0.1152, is that in the documentation of
  // a general-purpose hydraulics library (from memory), with another friction law: 1 % apart.
  it('a bend costs what the published equation says, and a tight one more', () => {
    const f = frictionFactor(1e5, 0);
    const [angle, ratio] = [Math.PI / 6, (4 * 5) / 4.02];
    const half = Math.sin(angle / 2);
    const whole =
      f * angle * ratio +
      (0.1 + 2.4 * f) * half +
      (6.6 * f * (Math.sqrt(half) + half)) / ratio ** ((4 * angle) / Math.PI);
    expect(whole).to.be.closeTo(0.1152, 1e-3);
    const f4 = frictionFactor(1e4, 0);
    const own = (0.1 + 2.4 * f4) * half + (6.6 * f4 * (Math.sqrt(half) + half)) / ratio ** ((4 * angle) / Math.PI);
    expect(bendLoss(angle, ratio * 0.01, 0.01)).to.be.closeTo(own, 1e-12);
    expect(bendLoss(Math.PI, 0.012, 0.008)).to.be.greaterThan(bendLoss(Math.PI, 0.05, 0.008));
    expect(() => bendLoss(0, 0.1, 0.01)).to.throw(RangeError);
  });
  it('a bend is as long as its arc', () => {
    const part: Part = {
      kind: 'bend',
      id: 'b',
      angle: { si: Math.PI, unit: '°' },
      centreLineRadius: mm(30),
      bore: mm(8),
    };
    expect((laws(lower(part))[0] as { length: number }).length).to.be.closeTo(Math.PI * 0.03, 1e-12);
  });
  const si = (value: number, unit = '') => ({ si: value, unit });
  const filterLoss = (part: object, lph: number, liquid = petrol, dirt = 1, rest: Partial<Site> = {}) => {
    const low = filter.lower({ kind: 'filter', id: 'f', ...part }, site(rest));
    const law = (low.links[0]!.law as (m: Moment) => LinkLaw)({
      ...moment,
      liquid,
      point: { dirt, strainerDirt: 1 },
    } as Moment);
    return linkLoss(law, lph / 3.6e6, liquid).loss;
  };
  // Δp = a μ Q + b ρ Q², worked by hand: 5 kPa at 200 L/h of petrol, four fifths of it viscous.
  it('a filter loses a μ Q + b ρ Q² through the point of its sheet, times its dirt', () => {
    const sheet = { rating: si(1e-5, 'µm'), ratedFlow: si(200 / 3.6e6), ratedDrop: si(5e3) };
    expect(filterLoss(sheet, 200)).to.be.closeTo(5e3, 1);
    expect(filterLoss(sheet, 100)).to.be.closeTo(4e3 / 2 + 1e3 / 4, 1);
    expect(filterLoss(sheet, 200, petrol, 4)).to.be.closeTo(20e3, 2);
    expect(filterLoss(sheet, 200, { density: 790, viscosity: 1.2e-3 })).to.be.closeTo(
      4e3 * (1.2 / 0.53) + 1e3 * (790 / 745),
      1,
    );
    expect(filterLoss({ ...sheet, viscousShare: si(1, '%') }, 100)).to.be.closeTo(2.5e3, 1);
  });
  it('whose sheet was made with another liquid loses as much less of petrol', () => {
    const sheet = { rating: si(1e-5, 'µm'), ratedFlow: si(200 / 3.6e6), ratedDrop: si(5e3) };
    const inPetrol = (sheetLiquid: string) => filterLoss({ ...sheet, sheetLiquid }, 200);
    expect(inPetrol('water')).to.be.closeTo(4e3 * 0.53 + 1e3 * (745 / 998), 1);
    expect(inPetrol('diesel')).to.be.closeTo(4e3 * (0.53 / 3) + 1e3 * (745 / 835), 1);
    expect(inPetrol('petrol')).to.be.closeTo(5e3, 1);
  });
  // Common practice, from memory: 40 to 100 µm of usual body 0.5 to 2 kPa at 200 L/h clean, a sock 0.2 to 1.
  it('a strainer of usual size loses 0.5 to 2 kPa at 200 L/h by its mesh, not what a fine filter does', () => {
    for (const rating of [40, 60, 100])
      expect(filterLoss({ rating: si(rating * 1e-6, 'µm') }, 200)).to.be.within(500, 2000);
    expect(filterLoss({ rating: si(39e-6, 'µm') }, 200)).to.be.closeTo(5e3, 1);
    expect(filterLoss({ rating: si(60e-6, 'µm'), ratedDrop: si(3e3) }, 200)).to.be.closeTo(3e3, 1);
    const sock = kindOf({ kind: 'sock', id: 's' }).lower({ kind: 'sock', id: 's' } as never, site());
    const law = (sock.links[0]!.law as (m: Moment) => LinkLaw)(moment);
    expect(linkLoss(law, 200 / 3.6e6, petrol).loss).to.be.within(200, 1000);
  });
  // Armour & Cannon 1968, worked apart: 60 µm opening, 42 µm wire, 50 cm², 200 L/h of petrol.
  it('a screen loses what the published equation for plain weaves says', () => {
    const [opening, wire, area, q] = [60e-6, 42e-6, 50e-4, 200 / 3.6e6];
    const pitch = opening + wire;
    const porosity = 1 - ((Math.PI * wire) / (4 * pitch)) * Math.sqrt(1 + (wire / pitch) ** 2);
    const surface = (4 * (1 - porosity)) / wire;
    const v = q / area;
    const reynolds = (745 * v) / (0.53e-3 * surface ** 2 * opening);
    const wanted = (8.61 / reynolds + 0.52) * ((2 * wire * 745 * v ** 2) / (porosity ** 2 * opening));
    const { linear, quadratic } = screenLoss({ opening, area }, petrol);
    expect((linear * q + quadratic * q ** 2) / wanted).to.be.closeTo(1, 1e-9);
  });
  it('a strainer before the pump clogs with the socks, not with the fine filter', () => {
    const at = (isSuction: boolean, point: object) => {
      const low = filter.lower({ kind: 'filter', id: 'f', rating: si(6e-5, 'µm') }, site({ isSuction }));
      return linkLoss((low.links[0]!.law as (m: Moment) => LinkLaw)({ ...moment, point } as Moment), flow, petrol).loss;
    };
    const clean = at(true, { dirt: 1, strainerDirt: 1 });
    expect(at(true, { dirt: 4, strainerDirt: 1 })).to.equal(clean);
    expect(at(true, { dirt: 1, strainerDirt: 4 }) / clean).to.be.closeTo(4, 1e-3);
    expect(at(false, { dirt: 4, strainerDirt: 1 }) / clean).to.be.closeTo(4, 1e-3);
  });
  it('a standing pump lets 100 L/h back at 300 kPa', () => {
    expect(STOPPED_PUMP * (100 / 3.6e6)).to.be.closeTo(300e3, 1e-6);
  });
  it('bores and lengths are those of the part; a rail’s typical ones stand in', () => {
    const of = (part: Part) => [kindOf(part).bore?.(part), kindOf(part).length?.(part)];
    expect(of(get(cleanJob(), 'hardLine'))[0]).to.be.closeTo(0.006, 1e-12);
    expect(of({ kind: 'hardLine', id: 'h' })[0]).to.equal(undefined);
    expect(of({ kind: 'rail', id: 'r' })[1]).to.be.closeTo(0.4, 1e-12);
    expect(of({ kind: 'swirlPot', id: 'p' })).to.deep.equal([undefined, undefined]);
  });
  it('a change of bore is charged to the narrower part, at both of its ends', () => {
    const k = (own: number, beyond: number | undefined) => {
      const low = lower({ kind: 'hose', id: 'h', bore: mm(own), length: mm(100) }, { boreBeyond: () => beyond });
      return (laws(low)[0] as LinkLaw & { kind: 'line' }).loss.kInfinity;
    };
    expect(k(10, 0.006)).to.equal(0);
    expect(k(6, 0.01)).to.be.greaterThan(0.3);
    expect(k(6, 0.006)).to.equal(0);
  });
});

describe('a filter inside the regulator', () => {
  const combined = (drop?: number) =>
    changed(demoJobs.mailVan, (j) =>
      act(j, {
        act: 'swapPart',
        id: 'regulator-1',
        by: {
          kind: 'filterRegulator',
          id: 'filter-regulator-1',
          rating: { si: 10e-6, unit: 'µm' },
          ...(drop === undefined ? {} : { ratedDrop: { si: drop, unit: 'kPa' } }),
        },
      }),
    );
  it('takes over what the plain one was, its joints and its measurements', () => {
    const job = combined();
    expect(get(job, 'filterRegulator')).to.deep.include({
      action: 'bypass',
      label: 'Tank regulator',
      referenced: false,
    });
    expect(
      Object.values(job.joints).filter((j) => j.a.part === 'filter-regulator-1' || j.b.part === 'filter-regulator-1'),
    ).to.have.length(3);
    expect(findingsOf(job).faults).to.deep.equal([]);
  });
  it('stands before the seat: the pump works against it, the rail does not feel it', () => {
    const [plain, inside] = [cleanJob(), combined(20e3)].map((j) => findingsOf(j).solution!.points.idle);
    expect(Math.abs(inside!.railPressure - plain!.railPressure)).to.be.lessThan(1.5e3);
    const outlet = (p: typeof plain) => p!.parts.find((c) => c.id === 'pump-1')!.outletPressure;
    expect(outlet(inside) - outlet(plain)).to.be.within(10e3, 25e3);
  });
  it('counts as dirty in the hot case', () => {
    const drop = (key: 'fullLoad' | 'fullLoadHot') => {
      const c = findingsOf(combined()).solution!.points[key].parts.find((x) => x.id === 'filter-regulator-1')!;
      return c.inletPressure - c.outletPressure;
    };
    expect(drop('fullLoadHot')).to.be.greaterThan(1.8 * drop('fullLoad'));
  });
});

describe('rails in the network', () => {
  for (const feed of ['single', 'series', 'parallel', 'crossover'] as const)
    it(`${feed}: eight injectors share the demand, each on a place of its own`, () => {
      const { draws } = compileRun(railsJob(feed));
      expect(new Set(draws.map((d) => d.node)).size).to.equal(8);
      for (const d of draws) expect(d.share).to.be.closeTo(1 / 8, 1e-12);
    });
  it('a rail with more injectors draws more', () => {
    const job = changed(demoJobs.rescuePickup, (j) => {
      get(j, 'rail').injectors = 3;
      get(j, 'rail', 1).injectors = 2;
    });
    const { draws } = compileRun(job);
    expect(draws).to.have.length(5);
    for (const d of draws) expect(d.share).to.be.closeTo(0.2, 1e-12);
  });
  it('two equal branches share the flow equally', () => {
    const { joints } = findingsOf(demoJobs.rescuePickup).solution!.points.fullLoad;
    expect(joints['rail-1-in']!.flow * 3.6e6).to.be.closeTo(joints['rail-2-in']!.flow * 3.6e6, 1e-4);
  });
  it('a crossover’s second rail sees no less at idle than its first: nothing but its own demand flows there', () => {
    const idle = (feed: Parameters<typeof railsJob>[0]) =>
      findingsOf(railsJob(feed)).solution!.points.idle.railPressure;
    expect(idle('crossover')).to.be.closeTo(idle('parallel'), 3e3);
  });
  it('a rail fed in its middle loses less than one fed at its end', () => {
    const middle = changed(railsJob('single'), (j) => {
      act(j, { act: 'moveEnd', joint: 'rail-1-in', part: 'rail-1', to: { part: 'rail-1', port: 'side-1' } });
      act(j, { act: 'setPort', part: 'rail-1', port: 'in', state: { closed: 'plugged' } });
    });
    const { solution, faults } = findingsOf(middle);
    expect(faults).to.deep.equal([]);
    const across = (job: Job) => {
      const p = findingsOf(job).solution!.points.fullLoad;
      return p.parts.find((c) => c.id === 'hose-3')!.outletPressure - p.railPressure;
    };
    expect(solution!.points.fullLoad.railPressure).to.be.within(280e3, 400e3);
    expect(across(middle)).to.be.lessThan(across(railsJob('single')));
  });
});
