import { expect } from 'chai';
import { changed } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { HarnessBuild } from '../harness-templates/harness-build.ts';
import { widebandOffsets } from './signals.ts';

const ohm = (si: number) => ({ si, unit: 'Ω' });

describe('sender and gauge over the circuit', () => {
  /** The sender earthed where the pump is. */
  const sharing = (ohms: number): Job =>
    changed(demoJobs.mailVan, (j) => {
      const point = j.wiring!.devices!.find((d) => d.kind === 'earthPoint' && d.label === 'Earth of Hanger pump')!;
      Object.assign(point, { resistance: ohm(ohms) });
      for (const w of j.wiring!.wires!)
        if (w.from?.device === 'level-sender-1')
          Object.assign(w, {
            to: { device: point.id, terminal: 'point' },
            area: { si: 1e-4, unit: 'mm²' },
            length: { si: 0, unit: 'm' },
          });
    });
  it('on an earth of its own the pump does not move the needle', () => {
    const [level] = findingsOf(demoJobs.mailVan).levels!;
    expect(level!.isOpen).to.equal(false);
    for (const r of level!.readings) {
      expect(r.running! - r.still!).to.be.closeTo(0, 1e-6);
      // wires and earth add a tenth of an ohm
      expect(r.still! - r.ohms).to.be.within(0, 0.2);
    }
  });
  it('on the pump’s earth it does: by what the pump lifts over the gauge’s current', () => {
    const R = 0.05;
    const { levels, wiring, solution } = findingsOf(sharing(R));
    const pump = wiring!.pumps[0]!.at.fullLoad!;
    const [level] = levels!;
    const supply = solution!.points.fullLoad.point.voltage;
    // by hand: gauge 60 ohm and sender s on the supply; earth stands at (pump + gauge current) · R
    for (const r of level!.readings) {
      const lift = pump.amps * R;
      const gauge = (supply - lift) / (60 + r.ohms + R);
      const seen = (gauge * (r.ohms + R) + lift) / gauge;
      expect(r.running! / seen).to.be.closeTo(1, 5e-3);
    }
    expect(Math.max(...level!.readings.map((r) => Math.abs(r.off!)))).to.be.greaterThan(0.01);
  });
  it('an open circuit is told', () => {
    const job = changed(demoJobs.mailVan, (j) => {
      j.wiring!.wires = j.wiring!.wires!.filter((w) => w.from?.device !== 'level-sender-1');
    });
    expect(findingsOf(job).levels![0]!.isOpen).to.equal(true);
  });
  it('is off by a share of the gauge’s span, empty to full', () => {
    const spanned = changed(sharing(0.05), (j) =>
      Object.assign(j.gauge!, { gaugeEmpty: ohm(240), gaugeFull: ohm(33) }),
    );
    const [level] = findingsOf(spanned).levels!;
    for (const r of level!.readings) expect(r.off!).to.be.closeTo((r.running! - r.ohms) / (33 - 240), 1e-12);
    const unread = changed(spanned, (j) => delete j.gauge!.gaugeFull);
    for (const r of findingsOf(unread).levels![0]!.readings) expect(r).to.not.have.property('off');
  });
  it('a converter between them is named, and what it hides is no open circuit', () => {
    const job = changed(demoJobs.mailVan, (j) => {
      j.wiring!.wires = j.wiring!.wires!.filter((w) => w.from?.device !== 'level-sender-1');
      const build = new HarnessBuild(j.wiring);
      build.device('converter');
      j.wiring = build.harness;
    });
    const [level] = findingsOf(job).levels!;
    expect(level).to.deep.include({ converter: 'converter-1', isOpen: false });
    expect(findingsOf(demoJobs.mailVan).levels![0]).to.not.have.any.keys('converter', 'held');
  });
  it('two senders in series add, and a stabiliser feeds the gauge', () => {
    const job = changed(demoJobs.mailVan, (j) => {
      Object.assign(j.gauge!, {
        combine: 'sum',
        secondEmpty: ohm(120),
        secondFull: ohm(16),
        movement: 'bimetal',
        stabiliser: { si: 10, unit: 'V' },
      });
      const build = new HarnessBuild(j.wiring);
      const second = build.device('levelSender', { which: 'second' });
      const held = build.device('stabiliser', { volts: { si: 10, unit: 'V' } });
      const wires = build.harness.wires!;
      for (const w of wires) {
        if (w.from?.device === 'level-sender-1') Object.assign(w, { from: { device: second, terminal: 'earth' } });
        if (w.to?.device === 'level-gauge-1') Object.assign(w, { to: { device: held, terminal: 'feed' } });
      }
      build.wire('level-sender-1:earth', `${second}:signal`);
      build.wire(`${held}:out`, 'level-gauge-1:feed');
      build.wire(`${held}:earth`, 'earth-point-1:point');
      j.wiring = build.harness;
    });
    const [level] = findingsOf(job).levels!;
    expect(level).to.deep.include({ held: 10, isOpen: false });
    expect(level!.readings.map((r) => r.ohms)).to.deep.equal([240 + 120, (240 + 33 + 120 + 16) / 2, 33 + 16]);
  });
});

describe('a pressure sensor over its three wires', () => {
  it('loses by its supply and gains by its earth: 0.5 to 4.5 V in proportion to what reaches it', () => {
    const { wiring } = findingsOf(demoJobs.islandShuttle);
    const [sensor] = wiring!.sensors;
    const full = sensor!.readings.find((r) => r.point === 'fullLoad')!;
    // 0 to 100 psi over 4 V about 0.5 V: common practice
    const ideal = (p: number, supply: number) => (supply / 5) * (0.5 + (4 * p) / 689475.7);
    expect(full.expected).to.be.closeTo(ideal(full.pressure, 5), 1e-6);
    expect(full.arrives).to.be.closeTo(ideal(full.pressure, sensor!.supply!) + sensor!.lift!, 1e-6);
    expect(full.off).to.be.closeTo(((full.arrives - full.expected) * 689475.7) / 4, 1e-3);
    expect(sensor!.supply!).to.be.within(4.99, 5);
  });
  it('earthed at the body beside the pump’s, it reads the pump’s current as pressure', () => {
    const job = changed(demoJobs.islandShuttle, (j) => {
      const build = new HarnessBuild(j.wiring);
      for (const w of build.harness.wires!)
        if (w.from?.device === 'pressure-sensor-plug-1' && w.from.terminal === 'earth')
          Object.assign(w, { to: { device: 'earth-point-1', terminal: 'point' } });
      j.wiring = build.harness;
    });
    const { wiring } = findingsOf(job);
    const [sensor] = wiring!.sensors;
    // the controller's own earth stands above the body by what the pump sends through its wire
    expect(sensor!.lift!).to.be.greaterThan(0.05);
    const at = (id: string) => wiring!.points.find((p) => p.key === 'fullLoad')!.volts[id]!;
    const lift = at('pressure-sensor-plug-1:earth') - at('pump-controller-1:sensorEarth');
    expect(lift).to.be.lessThan(-0.02);
    // it also gets that much more supply, which takes part of it back
    const { pressure, off, arrives } = sensor!.readings.find((r) => r.point === 'fullLoad')!;
    const supply = at('pressure-sensor-plug-1:supply') - at('pressure-sensor-plug-1:earth');
    expect(supply).to.be.greaterThan(5);
    expect(arrives).to.be.closeTo((supply / 5) * (0.5 + (4 * pressure) / 689475.7) + lift, 1e-6);
    expect(off).to.be.lessThan(-1e3);
  });
});

describe('a wideband’s output', () => {
  it('2.35 V expected, 2.41 V read: 0.06 V are taken from every reading', () => {
    const build = new HarnessBuild();
    const volt = (si: number) => ({ si, unit: 'V' });
    build.device('wideband', { expected: volt(2.35), read: volt(2.41), slope: { si: 2, unit: '' } });
    const [offset] = widebandOffsets(build.harness);
    expect(offset!.offset).to.be.closeTo(0.06, 1e-12);
    expect(offset!.mixture).to.be.closeTo(0.12, 1e-12);
    // one of the two voltages says nothing; without a slope there is no mixture
    for (const half of [{ expected: volt(2.35) }, { read: volt(2.41) }]) {
      const bare = new HarnessBuild();
      bare.device('wideband', half);
      expect(widebandOffsets(bare.harness)).to.deep.equal([]);
    }
    const flat = new HarnessBuild();
    flat.device('wideband', { expected: volt(2.35), read: volt(2.3) });
    expect(widebandOffsets(flat.harness)[0]).to.not.have.property('mixture');
    flat.device('fuse');
    expect(widebandOffsets(flat.harness), 'no other device has one').to.have.length(1);
    expect(widebandOffsets(new HarnessBuild().harness)).to.deep.equal([]);
  });
});
