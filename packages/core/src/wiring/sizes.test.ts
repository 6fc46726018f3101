import { expect } from 'chai';
import fc from 'fast-check';
import { cleanJob, get } from '../../test/rule-cases.ts';
import { simpleWiring, wire } from '../../test/simple-wiring.ts';
import { applyAct } from '../acts/apply-act.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { conductor, gaugeArea, wireGauges } from '../units/wire-gauge.ts';
import { ampacityIn, carries } from '../harness/ampacity.ts';
import type { Harness } from '../harness/harness.ts';
import { temperatureOf, wiresOf } from '../harness/in-circuit.ts';
import { protectionsOf } from './protection.ts';
import { pumpFeeds } from '../harness/pump-feeds.ts';
import { resized, sizeFields } from './resized.ts';
import { sizeHarness, type PumpDraw } from './sizes.ts';
import { wireResistance } from '../harness/wire.ts';

const metres = (si: number) => ({ si, unit: 'm' });

/** A harness of one pump with open gauges, and what it draws. */
function open(
  lengths: readonly [number, number],
  amps: number,
  fuse?: number,
): { harness: Harness; draws: PumpDraw[] } {
  const plain = simpleWiring({ contacts: 0.015, ...(fuse === undefined ? {} : { fuse }) });
  let at = 0;
  const wires = plain.wires!.map((w) =>
    w.use === 'pump' || w.use === 'earth' ? { ...w, length: metres(lengths[at++]!) } : w,
  );
  const harness = { ...plain, wires };
  const feeds = pumpFeeds(harness);
  if (!feeds.ok) throw new Error(feeds.fault.code);
  return { harness, draws: feeds.value.ports.map((port) => ({ port, amps, mostAmps: amps })) };
}
const protections = (harness: Harness) => protectionsOf(harness, () => [{ fedAt: 'pump-load-1:plus' }]);
const onWay = (harness: Harness) => wiresOf(harness).filter((w) => (w.use === 'pump' || w.use === 'earth') && w.length);

describe('sizes', () => {
  it('the fuse holds 1.25 times the current, and no wire carries less than it passes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 31, noNaN: true }),
        fc.tuple(fc.double({ min: 0.1, max: 6, noNaN: true }), fc.double({ min: 0.1, max: 3, noNaN: true })),
        fc.boolean(),
        (amps, lengths, isSafeOnly) => {
          const { harness, draws } = open(lengths, amps);
          const sized = sizeHarness(harness, draws, protections(harness), isSafeOnly ? null : 0.5);
          if (!sized.ok) return;
          const after = resized(harness, sized.changes);
          const fuse = after.devices!.find((d) => d.kind === 'fuse')!.rating!.si;
          expect(fuse).to.be.at.least(1.25 * amps - 1e-9);
          for (const w of onWay(after)) expect(carries(w)!).to.be.at.least(fuse - 1e-6);
        },
      ),
      { seed: 4, numRuns: 150 },
    );
  });
  it('is the cheapest by copper of every set that keeps the drop: tried against all of them', () => {
    let solved = 0;
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 16, noNaN: true }),
        fc.tuple(fc.double({ min: 0.2, max: 5, noNaN: true }), fc.double({ min: 0.1, max: 3, noNaN: true })),
        (amps, lengths) => {
          const { harness, draws } = open(lengths, amps);
          const budget = 0.5;
          const sized = sizeHarness(harness, draws, protections(harness), budget);
          const ways = onWay(harness);
          const fuse = [5, 7.5, 10, 15, 20, 25, 30, 40].find((f) => f >= 1.25 * amps)!;
          let best = Infinity;
          for (const a of wireGauges)
            for (const b of wireGauges) {
              const areas = [gaugeArea(a), gaugeArea(b)];
              if (areas.some((area, i) => ampacityIn(area, ways[i]!) < fuse - 1e-9)) continue;
              const ohms = ways.reduce(
                (sum, w, i) => sum + wireResistance(areas[i]!, w.length!.si, temperatureOf(w)),
                0.015,
              );
              if (ohms * amps > budget) continue;
              best = Math.min(
                best,
                ways.reduce((sum, w, i) => sum + areas[i]! * w.length!.si, 0),
              );
            }
          expect(sized.ok).to.equal(Number.isFinite(best));
          if (!sized.ok) return;
          solved++;
          const copper = onWay(resized(harness, sized.changes)).reduce((sum, w) => sum + w.area!.si * w.length!.si, 0);
          expect(copper / best).to.be.closeTo(1, 1e-9);
        },
      ),
      { seed: 5, numRuns: 120 },
    );
    expect(solved).to.be.greaterThan(60);
  });
  it('keeps what stands where it will do, and takes a fuse down rather than wire up', () => {
    const { harness, draws } = open([1, 1], 8, 15);
    const thick = resized(
      harness,
      onWay(harness).map((w) => ({ kind: 'wire', id: w.id, awg: 10, was: undefined })),
    );
    const ofPump = (h: Harness) => {
      const sized = sizeHarness(h, draws, protections(h), 0.5);
      if (!sized.ok) throw new Error(sized.why);
      return sized.changes.filter((c) => c.kind === 'fuse' || onWay(h).some((w) => w.id === c.id));
    };
    expect(ofPump(thick)).to.deep.equal([]);
    const over = {
      ...thick,
      devices: thick.devices!.map((d) => (d.kind === 'fuse' ? { ...d, rating: { si: 100, unit: 'A' } } : d)),
    };
    expect(ofPump(over)).to.deep.equal([{ kind: 'fuse', id: 'fuse-1', amps: 10, was: 100 }]);
  });
  it('says why no set will do: no fuse so large, contacts that take all, wire that cannot', () => {
    const big = open([1, 1], 33);
    expect(sizeHarness(big.harness, big.draws, protections(big.harness), null)).to.include({ ok: false, why: 'fuse' });
    const contacts = open([1, 1], 16);
    expect(sizeHarness(contacts.harness, contacts.draws, protections(contacts.harness), 0.2)).to.include({
      ok: false,
      why: 'contacts',
    });
    const long = open([15, 15], 16);
    expect(sizeHarness(long.harness, long.draws, protections(long.harness), 0.5)).to.include({
      ok: false,
      why: 'drop',
    });
    const hot = open([1, 1], 8);
    const bay = {
      ...hot.harness,
      wires: hot.harness.wires!.map((w) => (w.use === 'pump' ? { ...w, temperature: { si: 378.1, unit: '°C' } } : w)),
    };
    expect(sizeHarness(bay, hot.draws, protections(bay), null)).to.include({ ok: false, why: 'wire' });
  });
  it('the proposal of a job, done, is what it promised: the drop, the flow, and no snag of wire or fuse left', () => {
    const job = cleanJob((j) =>
      wire(j, { supply: conductor(18), supplyLength: 3, earth: conductor(18), earthLength: 1, fuse: 30 }),
    );
    const before = findingsOf(job);
    const { proposal } = before.wiring!;
    expect(proposal!.steps.length).to.be.at.least(2);
    const after = findingsOf(
      applyAct(job, { act: 'setAll', title: 'sizes', changes: sizeFields(proposal!.steps.map((s) => s.change)) }),
    );
    const at = after.wiring!.pumps[0]!.at.fullLoadHot!;
    expect(at.system - at.volts).to.be.at.most(0.5);
    // reckoned with pumps that draw in proportion to their voltage; they draw a little less
    expect(at.system - at.volts).to.be.within(0.9 * proposal!.dropAfter, proposal!.dropAfter + 1e-3);
    const flow = (f: typeof after) => f.solution!.points.fullLoadHot.pumpFlow;
    // reckoned at the pressure that the pump works against, which rises a little with it
    expect(flow(after) - flow(before)).to.be.within(0.8 * proposal!.gained, 1.05 * proposal!.gained);
    expect(proposal!.steps.reduce((sum, s) => sum + s.gained, 0)).to.be.closeTo(proposal!.gained, 1e-12);
    expect(after.wiring!.proposal).to.equal(undefined);
    expect(get(job, 'pump').id).to.equal('pump-1');
  });
});

describe('what a fuse protects', () => {
  it('all that it alone feeds, and the way back of the pump behind it; nothing before it', () => {
    const harness = simpleWiring({
      fuse: 20,
      supply: conductor(12),
      supplyLength: 1,
      earth: conductor(12),
      earthLength: 1,
    });
    const told = protections(harness);
    const wires = wiresOf(harness);
    const feed = wires.find((w) => w.to.device === 'fuse-1')!;
    const [supply, earth] = [wires.find((w) => w.use === 'pump')!, wires.find((w) => w.use === 'earth')!];
    expect(told.of(feed.id)).to.include({ isBare: true });
    expect(told.of(supply.id)).to.deep.include({ amps: 20, fuses: ['fuse-1'], isBare: false });
    expect(told.of(earth.id)).to.deep.include({ amps: 20, isBare: false });
    expect(told.isEarthSide(earth.id)).to.equal(true);
    expect(told.isEarthSide(supply.id)).to.equal(false);
  });
  it('of two in a row the smaller counts; on an earth that two pumps share both add', () => {
    const { job: two } = { job: simpleWiring({ fuse: 30, supply: conductor(12), supplyLength: 1 }) };
    const second = { ...two.devices!.find((d) => d.kind === 'fuse')!, id: 'fuse-2', rating: { si: 10, unit: 'A' } };
    const wires = two.wires!.map((w) =>
      w.from?.device === 'fuse-1' ? { ...w, from: { device: 'fuse-2', terminal: 'out' } } : w,
    );
    const row: Harness = {
      ...two,
      devices: [...two.devices!, second],
      wires: [
        ...wires,
        { id: 'between', from: { device: 'fuse-1', terminal: 'out' }, to: { device: 'fuse-2', terminal: 'in' } },
      ],
    };
    const supply = wiresOf(row).find((w) => w.use === 'pump')!;
    expect(protections(row).of(supply.id)!.amps).to.equal(10);
    const first = simpleWiring({ part: 'pump-1', fuse: 15 });
    const both = simpleWiring({ part: 'pump-2', fuse: 20 }, first);
    const shared = protectionsOf(both, () => [{ fedAt: 'pump-load-1:plus' }, { fedAt: 'pump-load-2:plus' }]);
    const back = wiresOf(both).find((w) => w.from.device === 'pump-load-1' && w.from.terminal === 'minus')!;
    expect(shared.of(back.id)!.amps).to.equal(35);
  });
});
