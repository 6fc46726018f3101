import { expect } from 'chai';
import { seeded } from '../../test/seeded.ts';
import { degrees, mm } from '../units/quick.ts';
import { bestBendOrder } from './bend-order.ts';
import { benderOf, bendSteps, shortStraights } from './bender.ts';
import { bendTable, tableOf } from './bend-table.ts';
import { partIn } from './part-in.ts';
import { afterWrongBend, stockPlan } from './stock.ts';
import { makingFor, passesBend, tubeEndMakings } from './tube-ends.ts';
import type { Vec } from './vector.ts';

const OD = mm(9.525);
const R = mm(28.575);
const table = (straights: number[], rotations: number[], bends: number[]) =>
  tableOf(straights.map(mm), rotations.map(degrees), bends.map(degrees), R);

describe('marks for a bender', () => {
  const square = table([200, 300, 150], [0, 180], [90, 90]);
  const arc = R * (Math.PI / 2);
  it('are where the bend begins, or its middle, from the first cut end, with what the end uses up', () => {
    const start = bendSteps(square, benderOf({ mark: 'start' }, OD), mm(3));
    expect(start.map((s) => s.mark)).to.deep.equal([mm(203), mm(203) + arc + mm(300)]);
    const centre = bendSteps(square, benderOf({ mark: 'centre', radius: { si: R, unit: 'mm' } }, OD), mm(3));
    centre.forEach((s, i) => expect(s.mark - start[i]!.mark).to.be.closeTo(arc / 2, 1e-12));
  });
  it('over-bend by what a test bend sprang back', () => {
    const angle = (value: number) => ({ si: degrees(value), unit: '°' });
    const own = benderOf({ set: angle(90), got: angle(86.4) }, OD);
    expect(bendSteps(square, own, 0)[0]!.setTo).to.be.closeTo(degrees(90) * (90 / 86.4), 1e-12);
    expect(bendSteps(square, benderOf({}, OD), 0)[0]!.setTo / degrees(90)).to.be.closeTo(1.03, 1e-12);
  });
  it('say which straight is too short, just under and just over', () => {
    const bender = benderOf({ before: { si: mm(30), unit: 'mm' }, between: { si: mm(20), unit: 'mm' } }, OD);
    const short = (straights: number[], ends: [number, number] = [0, 0]) =>
      shortStraights(table(straights, [0, 180], [90, 90]), bender, ends).map((s) => [s.straight, s.why]);
    expect(short([30.1, 20.1, 10])).to.deep.equal([]);
    expect(short([29.9, 19.9, 10])).to.deep.equal([
      [0, 'bender'],
      [1, 'between'],
    ]);
    expect(short([60, 40, 39.9], [mm(40), mm(40)])).to.deep.equal([[2, 'end']]);
  });
});

describe('the order of bends', () => {
  const bender = benderOf({ arm: { si: mm(200), unit: 'mm' }, thick: { si: mm(30), unit: 'mm' } }, OD);
  it('is any that keeps the bender clear; a hairpin that comes back past the handle is made last', () => {
    expect(bestBendOrder(table([300, 300, 300], [0, 90], [90, 90]), bender, OD)).to.deep.equal({
      order: [0, 1],
      clashes: [],
    });
    // the first bend turns the tube back so that the handle of the second would stand in it
    expect(bestBendOrder(table([250, 150, 200], [0, 0], [180, 90]), bender, OD)).to.deep.equal({
      order: [1, 0],
      clashes: [],
    });
    // with so little between them it stands there either way
    const { clashes } = bestBendOrder(table([250, 60, 300], [0, 0], [180, 90]), bender, OD);
    expect(clashes.map((c) => c.bend)).to.deep.equal([1]);
    expect(clashes[0]!.by).to.be.closeTo((0.03 + OD) / 2, 1e-6); // right through its middle
  });
  it('is the first with the fewest clashes where none is clear; of many bends not every order is tried', () => {
    const zigzag = (n: number) =>
      table(
        [250, ...Array<number>(n - 1).fill(60), 300],
        Array<number>(n).fill(0),
        Array.from({ length: n }, (_, i) => (i % 2 ? 90 : 180)),
      );
    const of = (n: number) => bestBendOrder(zigzag(n), bender, OD);
    expect(of(5).order).to.deep.equal([0, 1, 2, 4, 3]); // the order from either end has three
    expect(of(5).clashes.map((c) => c.bend)).to.deep.equal([1, 3]);
    expect(of(9).clashes.length, 'of 362 880 orders some').to.be.above(2);
    expect(bestBendOrder(table([300], [], []), bender, OD)).to.deep.equal({ order: [], clashes: [] });
  });
  it('has every bend once, whatever the tube', () => {
    const next = seeded(5);
    for (let i = 0; i < 12; i++) {
      const n = 1 + Math.floor(next() * 4);
      const some = table(
        Array.from({ length: n + 1 }, () => 60 + 200 * next()),
        Array.from({ length: n }, (_, k) => (k === 0 ? 0 : 360 * next() - 180)),
        Array.from({ length: n }, () => 20 + 120 * next()),
      );
      const { order, clashes } = bestBendOrder(some, bender, OD);
      expect([...order].sort()).to.deep.equal(Array.from({ length: n }, (_, k) => k));
      for (const clash of clashes) expect(clash.by).to.be.above(0);
    }
  });
});

describe('stock', () => {
  const long = table([1000, 2000, 1500], [0, 90], [90, 90]);
  it('that is long enough is not parted; one that is not is, as far along as it reaches, in a straight', () => {
    const whole = long.developed + 2 * mm(4);
    expect(stockPlan(long, R, whole + mm(0.1), mm(4), mm(40)).cuts).to.deep.equal([]);
    const parted = stockPlan(long, R, whole - mm(0.1), mm(4), mm(40));
    expect(parted.cuts).to.have.length(1);
    expect([parted.cuts[0]!.straight, parted.tooLong]).to.deep.equal([2, false]);
    const pieces = stockPlan(long, R, mm(1800), mm(4), mm(40));
    expect(pieces.pieces.every((p) => p <= mm(1800) + 1e-9)).to.equal(true);
    expect(pieces.pieces.reduce((a, b) => a + b, 0)).to.be.closeTo(
      long.developed + 2 * mm(4) * pieces.pieces.length,
      1e-9,
    );
    expect(stockPlan(table([30, 30, 30], [0, 0], [90, 90]), R, mm(60), mm(4), mm(40)).tooLong).to.equal(true);
  });
  it('after a wrong bend: too little is bent on, 3° over opens, more is cut off before it', () => {
    const cut = long.developed;
    const after = (made: number) => afterWrongBend(long, R, 1, degrees(made), cut);
    expect([after(80).closes, after(92.9).closes, after(93.1).closes]).to.deep.equal([true, true, false]);
    const { keeps, straight, anew } = after(100);
    const before = mm(1000) + R * degrees(90) + mm(2000);
    expect(keeps).to.deep.equal({ bends: 1, length: before });
    expect(straight).to.be.closeTo(cut - before - R * degrees(100), 1e-12);
    expect(anew).to.be.closeTo(cut - before, 1e-12);
  });
  it('a part goes into a straight that has room for its ends, just under and just over', () => {
    const at = mm(1000) + R * degrees(90) + mm(500);
    const put = (along: number) => partIn(long, R, along, mm(120), mm(5), mm(60));
    const there = put(at);
    if (!there.ok) throw new Error('it goes in');
    expect([there.value.straight, there.value.removed]).to.deep.equal([1, there.value.removed]);
    expect(there.value.removed).to.be.closeTo(mm(110), 1e-12);
    expect(there.value.before + there.value.removed + there.value.behind).to.be.closeTo(mm(2000), 1e-12);
    const edge = mm(1000) + R * degrees(90) + mm(60) + mm(55);
    expect([put(edge + mm(0.1)).ok, put(edge - mm(0.1)).ok, put(99).ok]).to.deep.equal([true, false, false]);
  });
});

describe('ends of a tube', () => {
  it('are made for what they meet', () => {
    const port = (form: string) => ({ form, size: '−6', gender: 'male' }) as never;
    expect([
      makingFor(port('flare37')),
      makingFor(port('flare45')),
      makingFor(port('hose')),
      makingFor(port('ferrule')),
      makingFor(undefined),
    ]).to.deep.equal([
      tubeEndMakings.single,
      tubeEndMakings.double,
      tubeEndMakings.bead,
      tubeEndMakings.ferrule,
      tubeEndMakings.plain,
    ]);
  });
  it('a nut passes a bend whose sagitta over it is within its room: l²/8R', () => {
    // 19.05 mm long on 28.575 mm: 1.5875 mm
    expect(passesBend(mm(19.05), mm(1.588), R)).to.equal(true);
    expect(passesBend(mm(19.05), mm(1.587), R)).to.equal(false);
  });
});

it('a tube through points has room as its table says', () => {
  const points: Vec[] = [[0, 0, 0], [0.1, 0, 0], [0.1, 0.05, 0], [0.2, 0.05, 0]]; // prettier-ignore
  const found = bendTable(points, R);
  expect(found.ok && found.value.isBendable).to.equal(false); // 50 mm between corners, 57.15 wanted
  expect(found.ok && found.value.straights[1]).to.be.closeTo(0.05 - 2 * R, 1e-12);
});
