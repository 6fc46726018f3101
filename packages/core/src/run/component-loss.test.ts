import { expect } from 'chai';
import { changed, cleanJob, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { LinkLaw } from '../hydraulics/network.ts';
import { linkLoss } from '../hydraulics/link-loss.ts';
import type { Part, PartOf } from '../parts/kinds.ts';
import { boreOf, lengthOf, lineLawOf, mediumLaw, sizeChangeOf, splitterLoss, STOPPED_PUMP } from './component-loss.ts';
import { findingsOf } from './findings.ts';
import { layRail } from './lay-rail.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const petrol = { density: 745, viscosity: 0.53e-3 };
const flow = 180 / 3.6e6;
const loss = (law: LinkLaw) => linkLoss(law, flow, petrol).loss;
const velocityHead = (bore: number) => (petrol.density / 2) * (flow / ((Math.PI / 4) * bore ** 2)) ** 2;
const fitting = (shape: PartOf<'fitting'>['shape'], bore = 8) =>
  lineLawOf({ kind: 'fitting', id: 'f', shape, bore: mm(bore) }, 0)!;

describe('losses of parts', () => {
  // Closed form: K times the velocity head in the fitting's own bore.
  it('Y, block and tee branch cost their K on their own bore', () => {
    expect(loss(fitting('y'))).to.be.closeTo(splitterLoss.y * velocityHead(0.008), 0.5);
    expect(loss(fitting('block'))).to.be.closeTo(splitterLoss.block * velocityHead(0.008), 0.5);
    expect(loss(fitting('block'))).to.be.greaterThan(loss(fitting('y')));
  });
  it('a smaller fitting costs by the fourth power of its bore', () => {
    expect(loss(fitting('y', 4)) / loss(fitting('y', 8))).to.be.closeTo(16, 0.01);
  });
  it('a stated coefficient wins over the shape', () => {
    const law = lineLawOf(
      { kind: 'fitting', id: 'f', shape: 'banjo', bore: mm(8), lossCoefficient: { si: 7, unit: '' } },
      0,
    )!;
    expect(loss(law)).to.be.closeTo(7 * velocityHead(0.008), 0.5);
  });
  it('a medium loses in proportion to flow, dirt and viscosity', () => {
    const law = (dirt: number, viscosity = petrol.viscosity) =>
      mediumLaw({ ...petrol, viscosity }, 200 / 3.6e6, 5e3, dirt);
    expect(loss(law(1))).to.be.closeTo(5e3 * 0.9, 1);
    expect(loss(law(4)) / loss(law(1))).to.be.closeTo(4, 1e-3);
    expect(loss(law(1, 2 * petrol.viscosity)) / loss(law(1))).to.be.closeTo(2, 1e-3);
  });
  it('a standing pump lets 100 L/h back at 300 kPa', () => {
    expect(STOPPED_PUMP * (100 / 3.6e6)).to.be.closeTo(300e3, 1e-6);
  });
  it('bores and lengths are those of the part; a rail’s typical ones stand in', () => {
    expect(boreOf(get(cleanJob(), 'hardLine'))).to.be.closeTo(0.006, 1e-12);
    expect(boreOf({ kind: 'hardLine', id: 'h' })).to.equal(undefined);
    expect(lengthOf({ kind: 'rail', id: 'r' })).to.be.closeTo(0.4, 1e-12);
    expect(lengthOf({ kind: 'swirlPot', id: 'p' })).to.equal(0);
  });
  it('a change of bore is charged to the narrower part, at both of its ends', () => {
    const line = (bore: number): Part => ({ kind: 'hose', id: `h${bore}`, bore: mm(bore), length: mm(100) });
    const middle = [line(10), line(6), line(10)];
    expect(sizeChangeOf(middle, 0)).to.equal(0);
    expect(sizeChangeOf(middle, 1)).to.be.greaterThan(sizeChangeOf(middle.slice(0, 2), 1));
    expect(sizeChangeOf([line(6), line(6)], 0)).to.equal(0);
  });
});

describe('a filter inside the regulator', () => {
  it('stands before the seat: the pump works against it, the rail does not feel it', () => {
    const combined = cleanJob((j) =>
      Object.assign(get(j, 'regulator'), {
        builtInRating: { si: 10e-6, unit: 'µm' },
        builtInDrop: { si: 20e3, unit: 'kPa' },
      }),
    );
    const [plain, inside] = [cleanJob(), combined].map((j) => findingsOf(j).solution!.points.idle);
    expect(Math.abs(inside!.railPressure - plain!.railPressure)).to.be.lessThan(1.5e3);
    const outlet = (p: typeof plain) => p!.parts.find((c) => c.id === 'pump-1')!.outletPressure;
    expect(outlet(inside) - outlet(plain)).to.be.within(10e3, 25e3);
  });
  it('counts as dirty in the hot case', () => {
    const drop = (key: 'fullLoad' | 'fullLoadHot') => {
      const combined = cleanJob((j) => (get(j, 'regulator').builtInRating = { si: 10e-6, unit: 'µm' }));
      const c = findingsOf(combined).solution!.points[key].parts.find((x) => x.id === 'regulator-1')!;
      return c.inletPressure - c.outletPressure;
    };
    expect(drop('fullLoadHot')).to.be.greaterThan(1.8 * drop('fullLoad'));
  });
});

describe('rails as nodes and links', () => {
  const rail = (feed: PartOf<'rail'>['feed']): PartOf<'rail'> => ({
    ...get(demoJobs.rescuePickup, 'rail'),
    feed,
  });
  for (const feed of ['single', 'series', 'parallel', 'crossover'] as const)
    it(`${feed}: every injector hangs on a node, every node on a link, and the way in is the first link`, () => {
      const laid = layRail(rail(feed), 'in', 8);
      expect(new Set(laid.injectorNodes).size).to.equal(8);
      for (const node of laid.injectorNodes) expect(laid.nodes).to.include(node);
      for (const node of laid.nodes) expect(laid.links.some((l) => l.to === node || l.from === node)).to.equal(true);
      expect(laid.links.find((l) => l.id === 'rail-1:0')!.from).to.equal('in');
      expect(laid.nodes).to.include(laid.outlet);
      expect(new Set(laid.links.map((l) => l.id)).size).to.equal(laid.links.length);
    });
  it('an odd number of injectors goes to both rails, the first gets one more', () => {
    const { injectorNodes } = layRail(rail('parallel'), 'in', 5);
    expect(injectorNodes.filter((n) => n.startsWith('rail-1:a'))).to.have.length(3);
  });
  it('two equal branches share the flow equally', () => {
    const { solution } = findingsOf(demoJobs.rescuePickup);
    expect(solution!.points.fullLoad.injectorPressure).to.be.within(295e3, 310e3);
  });
  it('a crossover’s second rail sees no less at idle than its first: nothing but its own demand flows there', () => {
    const job = changed(demoJobs.rescuePickup, (j) => (get(j, 'rail').feed = 'crossover'));
    const { points } = findingsOf(job).solution!;
    expect(points.idle.railPressure).to.be.closeTo(
      findingsOf(demoJobs.rescuePickup).solution!.points.idle.railPressure,
      3e3,
    );
  });
});
