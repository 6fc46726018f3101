import { expect } from 'chai';
import { act, changed, cleanJob, expectSnag, expectWhole, get, snagsOfRule } from '../../../test/rule-cases.ts';
import { simpleWiring, wire } from '../../../test/simple-wiring.ts';
import { assess } from '../../assessment/assess.ts';
import { awg } from '../../demo/build.ts';
import { demoJobs } from '../../demo/index.ts';
import { applyAct } from '../../acts/apply-act.ts';
import type { Job } from '../../job/job.ts';
import { findingsOf } from '../../reckoning/findings.ts';
import { truthTable } from '../../harness/cut-off.ts';
import type { Device } from '../../harness/devices/index.ts';
import type { Wire } from '../../harness/harness.ts';
import { HarnessBuild } from '../../harness-templates/harness-build.ts';
import { harnessTemplates } from '../../harness-templates/index.ts';

const si = (value: number, unit: string) => ({ si: value, unit });
const van = (change: (j: Job) => void = () => undefined) => changed(demoJobs.mailVan, change);
const device = (j: Job, id: string) => j.wiring!.devices!.find((d) => d.id === id)! as Device & Record<string, unknown>;
const wireOf = (j: Job, id: string) => j.wiring!.wires!.find((w) => w.id === id)! as Wire & Record<string, unknown>;
/** A pump that draws so much at every pressure. */
const drawing = (j: Job, amps: number) => {
  for (const t of get(j, 'pump').tables!) for (const r of t.rows) r.current = si(amps, 'A');
};

describe('mistakes of wiring', () => {
  it('a 16 A pump on a 15 A fuse, and the thin harness that came with it', () => {
    const thick = { supply: awg(10), supplyLength: 2, earth: awg(10), earthLength: 0.5 };
    const at = (fuse: number, gauge = 10) =>
      cleanJob((j) => {
        wire(j, { ...thick, supply: awg(gauge), fuse });
        drawing(j, 16);
      });
    const snag = expectSnag('fuse-too-small', at(20), at(15), 'fix', 'pump-1');
    expect(snag.figure!.si).to.equal(15);
    expect(snag.limit!.si).to.be.closeTo(20, 1e-9);
    // thin wire behind a fuse that holds the pump
    const thin = expectSnag('wire-too-thin', at(20), at(20, 18), 'stop', 'pump-1');
    expect([thin.figure!.si, Math.round(thin.limit!.si * 1e9) / 1e9]).to.deep.equal([20, 16]);
  });
  it('a pump that is permanently live stops the job, and so does one that nothing stops in a crash', () => {
    const live = van((j) =>
      Object.assign(wireOf(j, 'wire-10'), { to: { device: 'earth-point-1', terminal: 'point' } }),
    );
    const snag = expectSnag('pump-keeps-running', van(), live, 'stop', 'pump-1');
    expect(snag.what).to.match(/key on, engine never started.*stalled/);
    const without = van((j) => {
      device(j, 'control-unit-1').crashInput = false;
      const coil = wireOf(j, 'wire-9');
      Object.assign(coil, { from: { device: 'fuse-1', terminal: 'out' } });
    });
    const crash = expectSnag('pump-keeps-running', van(), without, 'stop', 'pump-1');
    expect(crash.what).to.match(/crash/);
    // the cure puts a switch in, and the table then says that it stops
    const cured = applyAct(without, crash.act!);
    expect(
      truthTable(cured.wiring!)
        .filter((r) => r.state.crashed)
        .every((r) => r.pumps['pump-1'] === 'stands'),
    ).to.equal(true);
  });
  it('wired straight to the battery it runs with the key off', () => {
    const build = new HarnessBuild();
    const [battery, fuse, pump, earth] = [
      build.device('battery'),
      build.device('fuse', { rating: si(15, 'A') }),
      build.device('pumpLoad', { part: 'pump-1' }),
      build.device('earthPoint'),
    ];
    build.wire(`${battery}:plus`, `${fuse}:in`, { area: awg(12), length: si(0.2, 'm') });
    build.wire(`${fuse}:out`, `${pump}:plus`, { area: awg(12), length: si(2, 'm') });
    build.wire(`${pump}:minus`, `${earth}:point`, { area: awg(12), length: si(0.5, 'm') });
    const [snag] = snagsOfRule(
      van((j) => (j.wiring = build.harness)),
      'pump-keeps-running',
    );
    expect(snag).to.include({ grade: 'stop', part: 'pump-1' });
    expect(snag!.what).to.match(/key off/);
  });
  it('a control that fails closed leaves it running', () => {
    const dead = (closes: boolean) => van((j) => (device(j, 'control-unit-1').deadCloses = closes));
    // the inertia switch is no help against a stopped engine
    const snag = expectSnag('pump-keeps-running', dead(false), dead(true), 'stop', 'pump-1');
    expect(snag.what).to.match(/fails/);
  });
  it('supply that costs more than a tenth of the flow, with where most of it goes and what would bring it back', () => {
    const at = (gauge: number) =>
      cleanJob((j) => wire(j, { supply: awg(gauge), supplyLength: 5, earth: awg(gauge), earthLength: 1 }));
    const snag = expectSnag('voltage-drop', at(8), at(20), 'fix', 'pump-1');
    expect(snag.what).to.match(/Most of it, .* V, goes in wire 8/);
    expect(snag.cure).to.match(/brings .*L\/h/);
    const cured = findingsOf(applyAct(at(20), snag.act!));
    expect(cured.solution!.points.fullLoadHot.parts.find((p) => p.id === 'pump-1')!.wiringCost!).to.be.lessThan(0.1);
  });
  it('a wire hotter than its insulation lets it carry: the same wire, moved to the engine bay', () => {
    const at = (lies: 'underbody' | 'bay') =>
      van((j) => Object.assign(wireOf(j, 'wire-11'), { lies, insulation: 'pvc85', area: awg(14) }));
    expectSnag('wire-too-thin', at('underbody'), at('bay'), 'stop', 'pump-1');
  });
});

describe('what a circuit is drawn as', () => {
  it('no fuse at all is a stop, a long lead before it a fix', () => {
    const lead = (length: number) => van((j) => Object.assign(wireOf(j, 'wire-7'), { length: si(length, 'm') }));
    expectSnag('wire-unfused', lead(0.29), lead(0.6), 'fix', 'pump-1');
    const none = van((j) => {
      j.wiring!.devices = j.wiring!.devices!.filter((d) => d.id !== 'fuse-2');
      j.wiring!.wires = j.wiring!.wires!.filter((w) => w.id !== 'wire-8');
      Object.assign(wireOf(j, 'wire-7'), { to: { device: 'relay-1', terminal: '30' } });
    });
    expectSnag('wire-unfused', van(), none, 'stop', 'pump-1');
  });
  it('pins and contacts by what they carry, and by what their fuse would let through; pins are doubled', () => {
    const rated = (amps: number) => van((j) => (device(j, 'connector-1').rating = si(amps, 'A')));
    const over = expectSnag('contact-overloaded', rated(25), rated(5), 'fix');
    const pins = applyAct(rated(5), over.act!).wiring!;
    expect((pins.devices!.find((d) => d.id === 'connector-1') as { pins?: number }).pins).to.equal(2);
    expect(pins.wires!.filter((w) => w.conductors === 2)).to.have.length(2);
    const fused = expectSnag('contact-overloaded', rated(15), rated(14), 'fix');
    expect(fused.what).to.match(/^The fuse/);
    const relay = (amps: number) => van((j) => (device(j, 'relay-1').rating = si(amps, 'A')));
    expectSnag('contact-overloaded', relay(40), relay(8), 'fix');
  });
  it('an inertia switch that carries the pump itself', () => {
    const job = van((j) => {
      device(j, 'inertia-switch-1').rating = si(1, 'A');
      Object.assign(wireOf(j, 'wire-8'), { to: { device: 'inertia-switch-1', terminal: 'in' } });
      Object.assign(wireOf(j, 'wire-9'), { to: { device: 'relay-1', terminal: '30' } });
    });
    expect(
      snagsOfRule(job, 'contact-overloaded')
        .map((s) => s.what)
        .join(),
    ).to.match(/Inertia switch/);
  });
  it('a pump that is left out, never fed, turned round, or standing while it is cranked', () => {
    const expectId = (job: Job, id: string) => {
      const snag = snagsOfRule(job, 'pump-not-fed').find((s) => s.id === id);
      expect(snag, id).to.not.equal(undefined);
      expectWhole(job, snag!);
      return snag!;
    };
    expect(snagsOfRule(van(), 'pump-not-fed')).to.deep.equal([]);
    expectId(
      changed(demoJobs.rescuePickup, (j) => {
        j.wiring!.devices = j.wiring!.devices!.filter((d) => d.id !== 'pump-load-2');
        j.wiring!.wires = j.wiring!.wires!.filter((w) => ![w.from!.device, w.to!.device].includes('pump-load-2'));
      }),
      'pump-not-fed:pump-2:undrawn',
    );
    expectId(
      van((j) => {
        j.wiring!.wires = j.wiring!.wires!.filter((w) => w.id !== 'wire-14');
      }),
      'pump-not-fed:pump-1',
    );
    const turned = van((j) => {
      wireOf(j, 'wire-12').to = { device: 'pump-load-1', terminal: 'minus' };
      wireOf(j, 'wire-13').from = { device: 'pump-load-1', terminal: 'plus' };
    });
    const snag = expectId(turned, 'pump-not-fed:pump-1:polarity');
    expect(snagsOfRule(applyAct(turned, snag.act!), 'pump-not-fed')).to.deep.equal([]);
    const oil = van((j) => {
      j.wiring = harnessTemplates.oilPressure.build(j);
      j.wiring.wires = j.wiring.wires!.filter((w) => w.to?.terminal !== 'start');
    });
    expectId(oil, 'pump-not-fed:pump-1:cranking');
  });
  it('a short, sources against one another, and a wire that ends on nothing are named where they are', () => {
    const short = van((j) =>
      j.wiring!.wires!.push({
        id: 'slip',
        from: { device: 'fuse-2', terminal: 'out' },
        to: { device: 'earth-point-1', terminal: 'point' },
        area: awg(12),
        length: si(0.3, 'm'),
      }),
    );
    const snag = expectSnag('circuit-fault', van(), short, 'stop');
    expect(snag.what)
      .to.match(/Battery|Alternator/)
      .and.match(/wire 19/);
    const loose = van((j) => j.wiring!.wires!.push({ id: 'loose', from: { device: 'fuse-2', terminal: 'out' } }));
    expect(expectSnag('circuit-fault', van(), loose, 'fix').path).to.deep.equal(['wiring', 'wires', 'loose', 'to']);
    const second = van((j) => {
      j.wiring!.devices = j.wiring!.devices!.filter((d) => d.kind !== 'alternator');
      j.wiring!.wires = j.wiring!.wires!.filter((w) => w.id !== 'wire-2');
      j.wiring!.devices.push({ id: 'battery-2', kind: 'battery' });
      j.wiring!.wires.push({
        id: 'series',
        from: { device: 'battery-2', terminal: 'plus' },
        to: { device: 'battery-1', terminal: 'minus' },
        area: awg(8),
        length: si(0.3, 'm'),
      });
    });
    expect(snagsOfRule(second, 'circuit-fault').map((s) => s.grade)).to.deep.equal(['stop']);
  });
});

describe('how it is made', () => {
  it('wire nuts and bare twists are stops, solder is handed to who knows it', () => {
    const end = (kind: Wire['startEnd']) => van((j) => (wireOf(j, 'wire-11').startEnd = kind));
    expectSnag('wire-joint', end('crimp'), end('wireNut'), 'stop');
    expectSnag('wire-joint', end('crimp'), end('twisted'), 'stop');
    expect(expectSnag('wire-joint', end('crimp'), end('solder'), 'note').cure).to.match(/auto electrician/);
    const splice = (made: string) =>
      van((j) => j.wiring!.devices!.push({ id: 'splice-1', kind: 'splice', made } as Device));
    expectSnag('wire-joint', splice('butt'), splice('wireNut'), 'stop');
    expectSnag('wire-joint', splice('butt'), splice('twist'), 'stop');
    expectSnag('wire-joint', splice('butt'), splice('solder'), 'note');
  });
  it('barrels and seals that do not close, with those that do', () => {
    const barrel = (finishBarrel: Wire['finishBarrel']) =>
      van((j) => Object.assign(wireOf(j, 'wire-11'), { finishBarrel }));
    // 12 AWG is 3.31 mm²
    expectSnag('crimp-misfit', barrel('b40'), barrel('b25'), 'fix');
    expectSnag('crimp-misfit', barrel('b40'), barrel('b60'), 'fix');
    const seal = (finishSeal: Wire['finishSeal']) => van((j) => Object.assign(wireOf(j, 'wire-11'), { finishSeal }));
    expectSnag('crimp-misfit', seal('s39'), seal('s30'), 'fix');
    const shared = van((j) => Object.assign(wireOf(j, 'wire-9'), { startSeal: 's24', conductors: 2 }));
    expect(
      snagsOfRule(shared, 'crimp-misfit')
        .map((s) => s.what)
        .join(),
    ).to.match(/one seal/);
  });
  it('a stud bare in the plate, or read below a megohm', () => {
    const stud = (rest: object) => van((j) => j.wiring!.devices!.push({ id: 'stud-1', kind: 'stud', ...rest }));
    expectSnag('stud-live', stud({ insulated: true }), stud({ insulated: false }), 'stop');
    expectSnag('stud-live', stud({ proved: si(1e6, 'Ω') }), stud({ proved: si(0.99e6, 'Ω') }), 'stop');
  });
  it('connectors and joints inside the tank of no rated kind', () => {
    const inTank = (immersible?: boolean) =>
      van((j) =>
        Object.assign(device(j, 'connector-2'), {
          place: 'inTank',
          ...(immersible === undefined ? {} : { immersible }),
        }),
      );
    expect(snagsOfRule(inTank(), 'wire-in-tank')).to.deep.equal([]);
    expectSnag('wire-in-tank', inTank(true), inTank(false), 'stop');
    const splice = (made: string) =>
      van((j) => j.wiring!.devices!.push({ id: 'splice-1', kind: 'splice', made, inTank: true } as Device));
    expectSnag('wire-in-tank', splice('butt'), splice('solder'), 'stop');
  });
});

describe('signals', () => {
  it('a sender earthed with a pump whose earth is poor moves the needle; an open one shows nothing', () => {
    const at = (ohms: number) =>
      van((j) => {
        Object.assign(device(j, 'earth-point-2'), { resistance: si(ohms, 'Ω') });
        for (const w of j.wiring!.wires!)
          if (w.from?.device === 'level-sender-1') w.to = { device: 'earth-point-2', terminal: 'point' };
      });
    expectSnag('signal-off', at(0.002), at(0.4), 'fix');
    const open = van((j) => {
      j.wiring!.wires = j.wiring!.wires!.filter((w) => w.from?.device !== 'level-sender-1');
    });
    expect(expectSnag('signal-off', van(), open, 'fix').what).to.match(/open circuit/);
  });
  it('a wideband that is read high is told by how much', () => {
    const at = (read: number) =>
      van((j) =>
        j.wiring!.devices!.push({ id: 'wideband-1', kind: 'wideband', expected: si(2.35, 'V'), read: si(read, 'V') }),
      );
    expect(expectSnag('signal-off', at(2.354), at(2.41), 'note').figure!.si).to.be.closeTo(0.06, 1e-9);
  });
});

describe('snags of wiring as a whole', () => {
  it('the demo jobs that are wired have none', () => {
    for (const key of ['mailVan', 'rescuePickup', 'islandShuttle'] as const)
      expect(
        assess(demoJobs[key])
          .snags.filter((s) => s.stage === 'wiring')
          .map((s) => s.id),
      ).to.deep.equal([]);
  });
  it('several fields set at once are one edit, in words, and undone as one', () => {
    const job = van();
    act(job, {
      act: 'setAll',
      title: 'two at once',
      changes: [
        { path: ['wiring', 'devices', 'fuse-2', 'rating'], value: si(20, 'A') },
        { path: ['wiring', 'wires', 'wire-8', 'area'], value: awg(10) },
      ],
    });
    expect(device(job, 'fuse-2').rating).to.deep.equal(si(20, 'A'));
    expect(wireOf(job, 'wire-8').area!.typed).to.equal('10 AWG');
  });
  it('a simple circuit behind a fuse and a relay has no snag of its own', () => {
    const job = cleanJob(
      (j) =>
        (j.wiring = simpleWiring({
          supply: awg(12),
          supplyLength: 2,
          earth: awg(12),
          earthLength: 0.5,
          fuse: 15,
          contacts: 0.01,
        })),
    );
    expect(
      assess(job)
        .snags.filter((s) => s.stage === 'wiring')
        .map((s) => s.id),
    ).to.deep.equal([]);
  });
});
