import { expect } from 'chai';
import { seeded } from '../../test/seeded.ts';
import { degrees, kPa, mm } from '../units/quick.ts';
import { sealLimits } from './allowed-here.ts';
import { genericAdapters } from './adapter-catalogue.ts';
import { costParts, jointCost, leakRisk, partCost, referenceLoss, weights } from './chain-cost.ts';
import { ChainSearch, MOST_PARTS, obstacles, type Chain, type ChainWants, type Stocked } from './chain-search.ts';
import { mate } from './mating.ts';
import type { Seal } from './port-form.ts';
import { portSize } from './port-size.ts';
import { readPort } from './read-port.ts';
import { sayPort, type Port } from './port.ts';
import { whyBetter } from './why-better.ts';

const port = (text: string): Port => {
  const read = readPort(text);
  if (!read.ok) throw new Error(read.fault);
  return read.value;
};
const bought = (): Stocked[] => genericAdapters().map((adapter) => ({ adapter, onShelf: 0 }));

const pick = <T>(list: readonly T[], next: () => number): T => list[Math.floor(next() * list.length)]!;

/** Every chain there is, by trying all: slow, and written from the stated cost alone. */
function everyChain(
  stock: readonly Stocked[],
  from: Port,
  to: Port,
  wants: ChainWants,
): { cost: number; says: string }[] {
  const found: { cost: number; says: string }[] = [];
  const holds = (seal: Seal) => wants.pressure === undefined || sealLimits[seal].pressure >= wants.pressure;
  const walk = (
    at: Port,
    cost: number,
    used: readonly Stocked[],
    says: string,
    turn: number,
    long: number,
    swivels: boolean,
  ) => {
    const last = mate(at, to);
    if (
      last.mates &&
      holds(last.seal) &&
      swivels &&
      (wants.angle === undefined || Math.round((turn * 180) / Math.PI) === Math.round((wants.angle * 180) / Math.PI))
    )
      found.push({ cost: cost + jointCost(last.seal), says });
    if (used.length === MOST_PARTS) return;
    for (const one of stock) {
      const { adapter, onShelf, price } = one;
      if (adapter.ports.length !== 2) continue;
      if (adapter.bore < (wants.minimumBore ?? 0) || adapter.flats > (wants.maximumFlats ?? Infinity)) continue;
      if (wants.materials && adapter.shape !== 'tubeEnd' && !wants.materials.has(adapter.material)) continue;
      const total = long + adapter.length;
      if (total > (wants.maximumLength ?? Infinity)) continue;
      const [x, y] = adapter.ports as [Port, Port];
      const same = sayPort({ ...x, swivel: undefined }) === sayPort({ ...y, swivel: undefined });
      for (const [inlet, outlet] of same ? [[x, y] as const] : [[x, y] as const, [y, x] as const]) {
        const joint = mate(at, inlet);
        if (!joint.mates || !holds(joint.seal)) continue;
        if (wants.noTaper && joint.seal === 'taperedThread' && used.length > 0) continue;
        const turns = swivels || x.swivel === true || y.swivel === true;
        walk(
          outlet,
          cost + jointCost(joint.seal) + partCost(adapter, onShelf > 0, price),
          [...used, one],
          `${says} ${adapter.code}>${sayPort(outlet)}`,
          turn + adapter.angle,
          total,
          turns,
        );
      }
    }
  };
  walk(from, 0, [], '', 0, 0, wants.swivel !== true || from.swivel === true || to.swivel === true);
  return found.sort((a, b) => a.cost - b.cost);
}

describe('the search for chains of adapters', () => {
  const all = bought();
  const whole = new ChainSearch(all);

  it('finds what trying everything finds, on small catalogues of every sort', () => {
    const next = seeded(11);
    let chains = 0;
    for (let round = 0; round < 120; round++) {
      const forms = new Set(Array.from({ length: 4 }, () => pick(pick(all, next).adapter.ports, next).form));
      const near = all.filter(({ adapter }) =>
        adapter.ports.every(
          (p) => forms.has(p.form) && Math.abs(portSize(p.form, p.size)!.nominal - mm(8.7)) < mm(0.9),
        ),
      );
      const stock = Array.from({ length: 16 }, () => pick(next() < 0.9 && near.length > 0 ? near : all, next)).map(
        (s) => ({
          ...s,
          onShelf: next() < 0.4 ? 1 : 0,
          ...(next() < 0.3 ? { price: Math.round(next() * 30) } : {}),
        }),
      );
      const unique = [...new Map(stock.map((s) => [s.adapter.code, s])).values()];
      const ends = unique.flatMap((s) => s.adapter.ports);
      const turn = (p: Port): Port => ({ form: p.form, size: p.size, gender: p.gender === 'male' ? 'female' : 'male' });
      const [from, to] = [turn(pick(ends, next)), turn(pick(ends, next))];
      const wants: ChainWants = {
        ...(next() < 0.3 ? { minimumBore: mm(3 + next() * 7) } : {}),
        ...(next() < 0.2 ? { angle: degrees(pick([0, 45, 90, 180], next)) } : {}),
        ...(next() < 0.3 ? { swivel: true } : {}),
        ...(next() < 0.2 ? { noTaper: true } : {}),
        ...(next() < 0.2 ? { maximumLength: mm(40 + next() * 90) } : {}),
        ...(next() < 0.2 ? { maximumFlats: mm(15 + next() * 20) } : {}),
        ...(next() < 0.2 ? { pressure: kPa(pick([500, 900, 5000, 15000], next)) } : {}),
        ...(next() < 0.2 ? { materials: new Set(['aluminium', 'stainless'] as const) } : {}),
      };
      const expected = everyChain(unique, from, to, wants).slice(0, 5);
      const found = new ChainSearch(unique).find(from, to, wants);
      expect(found.length, JSON.stringify([from, to, wants])).to.equal(expected.length);
      found.forEach((chain, i) => expect(chain.cost).to.be.closeTo(expected[i]!.cost, 1e-9));
      chains += found.length;
    }
    expect(chains, 'the cases are not all empty').to.be.greaterThan(100);
  });

  /** The stated cost, added up from what a chain says of itself. */
  const costOf = ({ links, seals }: Chain) =>
    seals.reduce((sum, s) => sum + jointCost(s), 0) + links.reduce((sum, l) => sum + partCost(l.adapter, l.onShelf), 0);

  it('gives the reversed chain at equal cost when the ends are swapped', () => {
    const next = seeded(5);
    const ends = [
      'male flare37 -6',
      'female npt 3/8',
      'tube 3/8',
      'hose -6 PTFE',
      'female orb -8',
      'hose 5/16',
      'male quick 3/8',
      'female metric M14x1.5',
      'female bspp 1/4',
    ];
    for (let i = 0; i < 40; i++) {
      const [a, b] = [port(pick(ends, next)), port(pick(ends, next))];
      const wants: ChainWants = next() < 0.5 ? {} : { swivel: true, noTaper: true };
      const [there, back] = [whole.find(a, b, wants), whole.find(b, a, wants)];
      // a taper at either end cannot be helped, from whichever end it is read
      if (wants.noTaper) expect(there.length > 0).to.equal(back.length > 0);
      else there.forEach((chain, n) => expect(chain.cost).to.be.closeTo(back[n]!.cost, 1e-9));
      for (const chain of there) {
        expect(chain.cost).to.be.closeTo(costOf(chain), 1e-9);
        const reversed = [...chain.links].reverse();
        const ports = [b, ...reversed.flatMap((l) => [l.adapter.ports[l.out]!, l.adapter.ports[l.in]!]), a];
        for (let j = 0; j < ports.length; j += 2) expect(mate(ports[j]!, ports[j + 1]!).mates).to.equal(true);
      }
    }
  });

  it('is never made dearer by a part that is put on the shelf', () => {
    const next = seeded(3);
    const [a, b] = [port('hose -6'), port('female npt 1/4')];
    const before = whole.find(a, b)[0]!;
    for (let i = 0; i < 12; i++) {
      const lucky = i < 3 ? before.links[i % before.links.length]!.adapter : pick(all, next).adapter;
      const stock = all.map((s) => (s.adapter === lucky ? { ...s, onShelf: 1 } : s));
      const after = new ChainSearch(stock).find(a, b)[0]!;
      expect(after.cost).to.be.at.most(before.cost + 1e-9);
      if (i < 3) expect(after.cost).to.be.lessThan(before.cost - weights.toBuy + 1e-9);
    }
  });

  it('keeps to every want', () => {
    const [a, b] = [port('male flare37 -6'), port('female npt 3/8')];
    const chains = (wants: ChainWants) => whole.find(a, b, wants);
    for (const c of chains({ minimumBore: mm(8) })) expect(c.bore).to.be.at.least(mm(8));
    for (const c of chains({ angle: degrees(90) }))
      expect(c.links.reduce((sum, l) => sum + l.adapter.angle, 0)).to.be.closeTo(degrees(90), 1e-9);
    for (const c of chains({ maximumLength: mm(60) })) expect(c.length).to.be.at.most(mm(60));
    for (const c of chains({ materials: new Set(['stainless'] as const) }))
      for (const l of c.links) expect(l.adapter.material).to.equal('stainless');
    expect(whole.find(port('tube 3/8'), port('female orb -6'), { pressure: kPa(1100) })[0]!.seals).to.not.include(
      'ferrule',
    );
    for (const c of whole.find(port('female flare37 -6'), port('female orb -8'), { noTaper: true }))
      expect(c.seals).to.not.include('taperedThread');
  });

  it('needs no part where the ends mate, and names what kills every chain with what would do', () => {
    expect(whole.find(port('male flare37 -6'), port('female flare37 -6'))[0]).to.include({ cost: 11, length: 0 });
    const [a, b] = [port('male flare37 -6'), port('female npt 3/8')];
    const wants: ChainWants = { minimumBore: mm(14), swivel: true };
    expect(whole.find(a, b, wants)).to.deep.equal([]);
    const why = obstacles(whole, a, b, wants);
    expect(why.map((o) => o.want)).to.deep.equal(['minimumBore']);
    expect(why[0]!.nearest.links.length).to.equal(1);
    const both: ChainWants = { minimumBore: mm(14), angle: degrees(37) };
    expect(obstacles(whole, a, b, both).map((o) => o.want)).to.deep.equal(['together']);
    expect(obstacles(whole, port('hose -8'), port('barb 5/16'), {})).to.deep.equal([]);
  });

  it('counts by the stated weights: a joint 10, a taper 5 more, a kilopascal 2, buying 4 and half the price', () => {
    const one = whole.find(port('male flare37 -6'), port('female npt 3/8'))[0]!;
    const { adapter } = one.links[0]!;
    expect(one.seals).to.deep.equal(['metalCone', 'taperedThread']);
    expect(one.cost).to.be.closeTo(10 + 1 + 10 + 5 + (2 * referenceLoss(adapter)) / 1000 + 4 + adapter.price / 2, 1e-9);
    expect(costParts(one).reduce((sum, p) => sum + p.points, 0)).to.be.closeTo(one.cost, 1e-9);
    for (const c of whole.find(port('tube 3/8'), port('female npt 1/4')))
      expect(costParts(c).reduce((sum, p) => sum + p.points, 0)).to.be.closeTo(c.cost, 1e-9);
    expect(leakRisk.ferrule).to.be.greaterThan(leakRisk.taperedThread);
  });

  it('loses at 200 L/h of petrol in a straight 8 mm what ½ρv²(K + ½) gives, worked by hand', () => {
    // v = 5.556e-5 m³/s / 5.0265e-5 m² = 1.1052 m/s; ½ 745 v² = 455.0 Pa; times 0.1 + 0.5
    expect(referenceLoss({ shape: 'straight', angle: 0, bore: mm(8) })).to.be.closeTo(273.0, 0.1);
  });

  it('says by what the best is better', () => {
    const chains = whole.find(port('male flare37 -6'), port('female npt 3/8'), { angle: degrees(90) });
    expect(whyBetter(chains[0]!, chains[1]!)).to.include('fewer joints');
  });
});
