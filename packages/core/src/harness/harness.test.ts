import { needTitle } from '../reckoning/need-title.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { simpleWiring, wire } from '../../test/simple-wiring.ts';
import { changed, cleanJob, get, twoPumpJob } from '../../test/rule-cases.ts';
import { awg } from '../demo/build.ts';
import { demoJobs } from '../demo/index.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { celsius } from '../units/quick.ts';
import { gaugeArea } from '../units/wire-gauge.ts';
import { ampacityIn, bundleShare, carries } from './ampacity.ts';
import type { Harness } from './harness.ts';
import { pumpFeeds, solveHarness } from './pump-feeds.ts';
import { wireResistance } from './wire.ts';
import type { DropLeg } from '../wiring/pump-circuit.ts';

const sum = (legs: readonly DropLeg[]) => legs.reduce((total, l) => total + l.volts, 0);
const running = (volts: number) => ({ by: 'running', volts }) as const;

describe('the pump circuit', () => {
  it('lists where the volts go, to the last of them, at every point of every demo job', () => {
    let tried = 0;
    for (const job of Object.values(demoJobs)) {
      const { wiring } = findingsOf(job);
      for (const pump of wiring?.pumps ?? [])
        for (const [key, at] of Object.entries(pump.at)) {
          // a battery at rest takes its own share inside
          if (key === 'keyOn') continue;
          expect(sum(at.legs), `${job.name} ${key}`).to.be.closeTo(at.system - at.volts, 1e-9);
          tried++;
        }
    }
    expect(tried).to.be.greaterThan(25);
  });
  it('agrees with the voltage that the pump was solved at', () => {
    for (const job of [demoJobs.mailVan, demoJobs.rescuePickup]) {
      const { wiring, solution } = findingsOf(job);
      for (const pump of wiring!.pumps)
        for (const [key, at] of Object.entries(pump.at)) {
          const part = (solution!.points[key] ?? solution!.wired![key as 'cranking'])!.parts.find(
            (p) => p.id === pump.part,
          )!;
          expect(at.volts, key).to.be.closeTo(part.voltage!, 1e-3); // twice what voltages are settled to, and a steady gauge draw
        }
    }
  });
  it('doubling a wire halves its drop, and doubling its length doubles it', () => {
    const ohms = (harness: Harness) => {
      const found = pumpFeeds(harness);
      if (!found.ok) throw new Error(found.fault.code);
      return found.value.ohms('pump-1', 'pump-1', 'running');
    };
    const at = (length: number, conductors?: number) => {
      const harness = simpleWiring({
        supply: awg(14),
        supplyLength: length,
        earth: awg(14),
        earthLength: 0,
        contacts: 0,
      });
      return ohms({
        ...harness,
        wires: harness.wires!.map((w) => (w.use === 'pump' && conductors ? { ...w, conductors } : w)),
      });
    };
    expect(at(4)).to.be.closeTo(wireResistance(gaugeArea(14), 4, celsius(60)), 1e-12);
    expect(at(8) / at(4)).to.be.closeTo(2, 1e-9);
    expect(at(4, 2) / at(4)).to.be.closeTo(0.5, 1e-9);
  });
  it('pumps that share a feed pull one another down; with feeds of their own they do not', () => {
    const shared = (isShared: boolean): Harness => {
      const given = { supply: awg(14), supplyLength: 2, earth: awg(14), earthLength: 1 };
      const first = simpleWiring({ ...given, part: 'pump-1' });
      return simpleWiring(
        { ...given, part: 'pump-2', ...(isShared ? { behind: { fuse: 'fuse-1', relay: 'relay-1' } } : {}) },
        first,
      );
    };
    const volts = (isShared: boolean, both: boolean) => {
      const drawn = new Map([['pump-1', { amps: 10 }], ...(both ? ([['pump-2', { amps: 10 }]] as const) : [])]);
      const solved = solveHarness(shared(isShared), running(13), drawn);
      if (!solved.ok) throw new Error(solved.fault.code);
      const at = (t: string) => solved.value.volts.get(`pump-load-1:${t}`)!;
      return at('plus') - at('minus');
    };
    expect(volts(true, false) - volts(true, true)).to.be.closeTo(10 * 0.02, 1e-9); // the contacts' 20 mΩ carry both
    expect(volts(false, false) - volts(false, true)).to.be.closeTo(0, 1e-9);
    // and so it is in the run: the second pump costs the first some of its flow
    const flow = (wiring: Harness) =>
      findingsOf(changed(twoPumpJob(), (j) => (j.wiring = wiring))).solution!.points.fullLoadHot.parts.find(
        (p) => p.id === 'pump-1',
      )!;
    expect(flow(shared(true)).voltage!).to.be.lessThan(flow(shared(false)).voltage! - 0.1);
  });
  const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const [wireLength, current, battery] = [between(0.3, 8), between(0.5, 18), between(9, 15)]; // m, A, V
  it('superposition: what the feeds say is what the whole circuit says, for any wires and currents', () => {
    fc.assert(
      fc.property(
        fc.record({ a: wireLength, b: wireLength, i: current, j: current, v: battery, shared: fc.boolean() }),
        ({ a, b, i, j, v, shared }) => {
          const first = simpleWiring({ part: 'p', supply: awg(12), supplyLength: a, earth: awg(10), earthLength: b });
          const harness = simpleWiring(
            {
              part: 'q',
              supply: awg(10),
              supplyLength: b,
              earth: awg(12),
              earthLength: a,
              ...(shared ? { behind: { fuse: 'fuse-1', relay: 'relay-1' } } : {}),
            },
            first,
          );
          const feeds = pumpFeeds(harness);
          const solved = solveHarness(
            harness,
            running(v),
            new Map([
              ['p', { amps: i }],
              ['q', { amps: j }],
            ]),
          );
          if (!feeds.ok || !solved.ok) throw new Error('no answer');
          for (const [part, device] of [
            ['p', 'pump-load-1'],
            ['q', 'pump-load-2'],
          ] as const) {
            const { open, ohms } = feeds.value;
            const told = open(part, running(v)) - ohms(part, 'p', 'running') * i - ohms(part, 'q', 'running') * j;
            const whole = solved.value.volts.get(`${device}:plus`)! - solved.value.volts.get(`${device}:minus`)!;
            expect(told).to.be.closeTo(whole, 1e-7);
            const at = feeds.value.at(
              running(v),
              new Map([
                ['p', { amps: i }],
                ['q', { amps: j }],
              ]),
            );
            for (const [id, amps] of solved.value.amps) expect(at.amps.get(id), id).to.be.closeTo(amps, 1e-7);
            for (const [place, volts] of solved.value.volts)
              expect(at.volts.get(place), place).to.be.closeTo(volts, 1e-7);
          }
        },
      ),
      { seed: 13, numRuns: 60 },
    );
  });
  it('cranking takes the voltage down, charging takes the current up', () => {
    const { wiring, solution } = findingsOf(demoJobs.mailVan);
    const at = wiring!.pumps[0]!.at;
    expect(at.cranking!.system).to.equal(10);
    expect(at.charging!.system).to.equal(14.4);
    expect(at.cranking!.volts).to.be.lessThan(at.fullLoadHot!.volts);
    expect(at.charging!.amps).to.be.greaterThan(at.fullLoad!.amps);
    expect(wiring!.pumps[0]!.mostAmps).to.equal(at.charging!.amps);
    expect(solution!.wired!.cranking!.railPressure).to.be.greaterThan(0);
  });
  it('a battery at rest sags by its inner resistance', () => {
    const at = (ohms: number) => {
      const job = changed(demoJobs.mailVan, (j) => {
        for (const d of j.wiring!.devices!) if (d.kind === 'battery') d.resistance = { si: ohms, unit: 'Ω' };
      });
      return findingsOf(job).wiring!.pumps[0]!.at.keyOn!;
    };
    const [stiff, weak] = [at(0), at(0.05)];
    expect(stiff.volts - weak.volts).to.be.closeTo(0.05 * weak.amps, 0.05);
  });
  it('a wire that nobody has measured leaves the pump at the system’s voltage, and is asked for', () => {
    const job = cleanJob((j) => wire(j, { supply: awg(12), supplyLength: 3, earth: awg(12) }));
    const { wiring, solution, needs } = findingsOf(job);
    expect(wiring!.pumps[0]!.unmeasured).to.have.length(1);
    expect(solution!.points.fullLoadHot.parts.find((p) => p.id === 'pump-1')!.voltage).to.equal(12.5);
    expect(needs.map((n) => needTitle(job, n))).to.deep.include('Wire 9: length');
  });
  it('what is taken out of the factory’s harness carries nothing', () => {
    const job = changed(demoJobs.mailVan, (j) => {
      const supply = j.wiring!.wires!.find((w) => w.use === 'pump' && w.length!.si > 2)!;
      j.wiring!.wires!.push({ ...supply, id: 'beside', area: awg(8) });
    });
    const out = changed(job, (j) => (j.wiring!.wires!.find((w) => w.id === 'beside')!.stands = 'out'));
    const volts = (j: typeof job) => findingsOf(j).wiring!.pumps[0]!.at.fullLoadHot!.volts;
    expect(volts(job)).to.be.greaterThan(volts(out));
    expect(volts(out)).to.be.closeTo(volts(demoJobs.mailVan), 1e-9);
  });
  it('the pump’s own wiring is the run’s: a better wire brings more fuel', () => {
    const flow = (gauge: number) =>
      findingsOf(
        cleanJob((j) => {
          wire(j, { supply: awg(gauge), supplyLength: 4, earth: awg(gauge), earthLength: 1 });
          get(j, 'pump');
        }),
      ).solution!.margin!.available;
    expect(flow(10)).to.be.greaterThan(flow(14));
    expect(flow(14)).to.be.greaterThan(flow(18));
  });
});

describe('what a wire carries', () => {
  const bare = { lies: undefined, temperature: undefined, insulation: undefined, bundled: undefined };
  // bands at 105 °C insulation in an engine space, as the handbook of the trade has them, from memory
  const bands = [[18, 16, 20], [16, 20, 25], [14, 30, 35], [12, 40, 45], [10, 55, 60]] as const; // prettier-ignore
  for (const [gauge, low, high] of bands)
    it(`${gauge} AWG lies in its band`, () => {
      expect(ampacityIn(gaugeArea(gauge), bare)).to.be.within(low - 1e-9, high);
    });
  it('less where it is hot: by the root of the degrees left, as 30 °C instead of 50 brings 17 % (ABYC E-11, from memory)', () => {
    const at = (around: number) =>
      ampacityIn(gaugeArea(12), { ...bare, temperature: { si: celsius(around), unit: '°C' } });
    expect(at(50)).to.be.closeTo(40, 1e-9);
    expect(at(30) / at(50)).to.be.closeTo(1 / 0.85, 0.01);
    expect(at(85) / at(50)).to.be.closeTo(Math.sqrt(20 / 55), 1e-9);
    expect(at(106)).to.equal(0);
  });
  it('more with insulation that stands more, less in a bundle, twice with two conductors', () => {
    const xlpe = ampacityIn(gaugeArea(12), { ...bare, insulation: 'xlpe125' });
    expect(xlpe / 40).to.be.closeTo(Math.sqrt(75 / 55), 1e-9);
    // NEC 310.15(C)(1), from memory: 4 to 6 wires 80 %, 7 to 9 70 %, 10 to 20 50 %
    expect([3, 4, 6, 7, 9, 10, 20].map(bundleShare)).to.deep.equal([1, 0.8, 0.8, 0.7, 0.7, 0.5, 0.5]);
    expect(ampacityIn(gaugeArea(12), { ...bare, bundled: 8 })).to.be.closeTo(28, 1e-9);
    expect(carries({ id: 'w', area: awg(12), conductors: 2 })).to.be.closeTo(80, 1e-9);
    expect(carries({ id: 'w' })).to.equal(undefined);
  });
});
