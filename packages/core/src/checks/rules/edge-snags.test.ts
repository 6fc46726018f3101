import { expect } from 'chai';
import { wire } from '../../../test/simple-wiring.ts';
import {
  act,
  carburettorJob,
  changed,
  cleanJob,
  expectSnag,
  get,
  readSnag,
  snagsOfRule,
} from '../../../test/rule-cases.ts';
import { awg } from '../../demo/build.ts';
import { demoJobs } from '../../demo/index.ts';
import { assess, previewAct } from '../../assessment/assess.ts';
import { applyAct, tryAct } from '../../acts/apply-act.ts';
import type { Job } from '../../job/job.ts';
import { needsOf } from '../../reckoning/needs.ts';
import { psi } from '../../units/quick.ts';

const si = (value: number, unit = '') => ({ si: value, unit });
const mm = (value: number) => si(value / 1000, 'mm');
const rules = (job: Job) => assess(job).snags.map((s) => s.rule);

/** Snags that stopped good work. */
describe('no snag is raised for', () => {
  it('a raised swirl pot with its pump below the brim', () => {
    const pot = (inlet: number) => changed(demoJobs.rescuePickup, (j) => (get(j, 'pump', 1).inletHeight = mm(inlet)));
    // the pot's floor stands at 300 mm, its brim at 520, far above the tank's outlet
    expectSnag('pump-above-outlet', pot(519), pot(521), 'stop', 'pump-2');
    expect(snagsOfRule(pot(350), 'pump-above-outlet')).to.deep.equal([]);
    expect(snagsOfRule(pot(2500), 'pump-above-outlet')[0]!.cure).to.include('brim');
  });
  it('a 60 µm strainer of usual size before the pump', () => {
    const job = carburettorJob((j) => Object.assign(get(j, 'filter'), { rating: si(60e-6, 'µm') }));
    const found = rules(job);
    expect(found).to.not.include('suction-margin');
    expect(found).to.not.include('fine-filter-before-pump');
  });
  it('a carburettor at 3 psi', () => {
    const at = (pressure: number, least?: number) =>
      carburettorJob((j) => {
        j.brief.railPressure = si(psi(pressure), 'psi');
        get(j, 'regulator').setPressure = si(psi(pressure), 'psi');
        if (least) get(j, 'carburettor').leastPressure = si(psi(least), 'psi');
      });
    expect(snagsOfRule(at(3), 'pump-margin')).to.deep.equal([]);
    expect(rules(at(3))).to.not.include('carburettor-flooded');
  });
  it('a dead-head regulator within needle and seat, at no flow either', () => {
    const at = (pressure: number) =>
      carburettorJob((j) => (get(j, 'regulator').setPressure = si(psi(pressure), 'psi')));
    expect(snagsOfRule(at(5), 'carburettor-flooded')).to.deep.equal([]);
    expect(snagsOfRule(at(8), 'carburettor-flooded')).to.have.length(1);
  });
  it('insulated studs on the plate: a hexagon of 8 mm is not odd', async () => {
    const { platePortProperties } = await import('../../job/hanger.ts');
    expect(platePortProperties.hexagon.field.likely![0]).to.be.at.most(0.008);
  });
  it('an old pump that is taken away and kept', () => {
    const old = (change: object) =>
      cleanJob((j) => {
        j.brief.reversible = true;
        j.survey.oldConnections = [{ id: 'c', did: 'sender', fate: 'remove', ...change }];
      });
    const lost = (job: Job) => assess(job).findings.blockedOff[0]!.lost;
    expect(lost(old({ tagged: true }))).to.equal(undefined);
    expect(lost(old({ tagged: false }))).to.include('cannot go back');
    expectSnag('old-connection', old({ tagged: true }), old({ tagged: false }), 'fix');
  });
  it('a hose that is not measured yet, below the dead-head pressure: its needs speak', () => {
    const hose = (change: object) =>
      cleanJob((j) => {
        delete get(j, 'pump').reliefPressure;
        Object.assign(get(j, 'hose', 1), { construction: 'r9', ...change });
      });
    expect(snagsOfRule(hose({}), 'hose-below-pressure').map((s) => s.part)).to.include('hose-2');
    const bare = hose({ length: undefined });
    expect(snagsOfRule(bare, 'hose-below-pressure').map((s) => s.part)).to.not.include('hose-2');
    expect(needsOf(bare).map((n) => n.part)).to.include('hose-2');
  });
});

/** Words of the engine that there is. */
describe('a carburettor and a direct-injection engine', () => {
  it('are not told of injectors', () => {
    const hot = carburettorJob((j) => {
      Object.assign(j.assumptions, { reidVapourPressure: si(90e3, 'kPa'), soakTemperature: si(380, '°C') });
      get(j, 'regulator').setPressure = si(psi(2), 'psi');
    });
    const said = assess(hot).snags.filter((s) =>
      ['vapour-at-restart', 'set-pressure', 'rail-pressure-high', 'rail-pressure-low'].includes(s.rule),
    );
    expect(said.map((s) => s.rule)).to.include.members(['vapour-at-restart', 'set-pressure']);
    for (const s of said.map(readSnag)) expect(`${s.what} ${s.why} ${s.cure}`, s.rule).to.not.match(/injector/i);
    const direct = changed(demoJobs.islandShuttle, (j) => {
      j.brief.direct = true;
      get(j, 'pump').targetPressure = si(300e3, 'kPa');
    });
    const low = snagsOfRule(direct, 'rail-pressure-low');
    expect(low).to.have.length(1);
    expect(low[0]!.why).to.not.match(/lean|injector/i);
  });
});

/** Snags that were missing. */
describe('a snag is raised for', () => {
  it('a controller that holds 95 psi where the engine wants 72', () => {
    const at = (pressure: number) =>
      changed(demoJobs.islandShuttle, (j) => {
        j.brief.railPressure = si(psi(72), 'psi');
        get(j, 'pump').targetPressure = si(psi(pressure), 'psi');
      });
    const snag = expectSnag('controller-pressure', at(72), at(95), 'fix', 'pump-1');
    expect(snag.what).to.include('more');
    expect(snagsOfRule(at(60), 'controller-pressure')[0]!.what).to.include('less');
  });
  it('a rail, or nothing finer than a strainer between pump and injectors', () => {
    const none = cleanJob((j) => act(j, { act: 'takeOut', id: 'filter-1' }));
    expectSnag('no-fine-filter', cleanJob(), none, 'fix', 'rail-1');
    expect(
      snagsOfRule(
        cleanJob((j) => delete get(j, 'filter').rating),
        'no-fine-filter',
      ),
    ).to.deep.equal([]);
    expect(snagsOfRule(carburettorJob(), 'no-fine-filter')).to.deep.equal([]);
  });
  it('a return into a tank whose return is capped', () => {
    const old = (fate: 'cap' | 'reuse') =>
      cleanJob((j) => {
        act(j, { act: 'takeOut', id: 'return-drop-1' });
        j.survey.oldConnections = [{ id: 'c', did: 'return', fate, tagged: true }];
      });
    expectSnag('return-capped', old('reuse'), old('cap'), 'stop');
    expect(
      snagsOfRule(
        cleanJob((j) => (j.survey.oldConnections = [{ id: 'c', did: 'return', fate: 'cap' }])),
        'return-capped',
      ),
    ).to.deep.equal([]);
  });
  it('a reference hose that the brief does not want', () => {
    const at = (manifoldReference: boolean, rest: object = {}) =>
      cleanJob((j) => {
        Object.assign(j.brief, { manifoldReference, ...rest });
        get(j, 'regulator').referenced = true;
      });
    expectSnag('reference-unwanted', at(true), at(false), 'fix', 'regulator-1');
    expect(snagsOfRule(at(false, { aspiration: 'turbo', boost: si(70e3, 'kPa') }), 'reference-unwanted')).to.deep.equal(
      [],
    );
  });
  it('a filter or rail behind a bypass regulator, rated below what it sees should that stick', () => {
    const at = (rating: number) =>
      cleanJob((j) => {
        delete get(j, 'pump').reliefPressure;
        get(j, 'rail').maximumPressure = si(rating, 'kPa');
      });
    const snag = expectSnag('part-below-dead-head', at(850e3), at(830e3), 'stop', 'rail-1');
    expect(snag.why).to.include('sticks shut');
  });
  it('a sensor by the tank where the control expects it on the rail, wherever it is screwed in', () => {
    const onTee = (part: string) =>
      changed(demoJobs.islandShuttle, (j) => {
        const sensor = Object.values(j.parts).find((p) => p.kind === 'pressureSensor')!;
        const joint = Object.values(j.joints).find((x) => x.a.part === sensor.id || x.b.part === sensor.id)!;
        act(j, { act: 'disconnect', joint: joint.id });
        const into = Object.values(j.joints).find((x) => x.b.part === part || x.a.part === part)!;
        act(j, {
          act: 'insertPart',
          joint: into.id,
          part: { kind: 'tee', id: 'sensor-tee', bore: mm(8) },
          in: 'a',
          out: 'b',
        });
        act(j, { act: 'connect', a: { part: 'sensor-tee', port: 'branch' }, b: { part: sensor.id, port: 'port' } });
        get(j, 'pump').sensorExpected = 'rail';
      });
    expect(snagsOfRule(onTee('rail-1'), 'sensor-misplaced').filter((s) => s.grade === 'fix')).to.deep.equal([]);
    const [snag] = snagsOfRule(onTee('filter-1'), 'sensor-misplaced');
    expect(snag!.what).to.include('on the rail');
  });
  it('an electric pump with a supply and nothing said of its cut-off: it is asked', () => {
    const asked = (change: (j: Job) => void, survey: object = {}) =>
      needsOf(
        cleanJob((j) => {
          delete j.survey.crashShutOff;
          delete j.survey.stopsWithEngine;
          Object.assign(j.survey, survey);
          change(j);
        }),
      ).filter((n) => n.name.startsWith('whether the pump')).length;
    const supplied = (j: Job) => {
      wire(j, { fuse: 20 });
      j.wiring!.wires = j.wiring!.wires!.filter(
        (w) => !/^8[56]$/.test(w.from!.terminal) && !/^8[56]$/.test(w.to!.terminal),
      );
    };
    expect(asked(supplied)).to.equal(2);
    expect(asked(supplied, { crashShutOff: true, stopsWithEngine: false })).to.equal(0);
    expect(asked((j) => wire(j, { fuse: 20 }))).to.equal(0);
    expect(asked((j) => delete j.wiring)).to.equal(0);
  });
  it('18 AWG behind a 16 A pump, whatever its fuse; its cure takes wire and fuse together', () => {
    const at = (gauge: number, fuse: number) =>
      cleanJob((j) => {
        const pump = get(j, 'pump');
        for (const t of pump.tables!) t.rows.forEach((r) => (r.current = si(16, 'A')));
        wire(j, { supply: awg(gauge), earth: awg(gauge), supplyLength: 1, earthLength: 1, fuse });
      });
    for (const fuse of [20, 40]) {
      const snag = expectSnag('wire-too-thin', at(14, 20), at(18, fuse), 'stop', 'pump-1');
      const cured = applyAct(at(18, fuse), snag.act!);
      expect(rules(cured)).to.not.include.members(['wire-too-thin']);
      expect(rules(cured)).to.not.include('fuse-too-small');
      expect(cured.wiring!.devices!.find((d) => d.kind === 'fuse')).to.deep.include({ rating: si(20, 'A') });
    }
    // a fuse that is too small for the pump is not raised above what its wire carries
    const [small] = snagsOfRule(at(18, 15), 'fuse-too-small');
    const raised = applyAct(at(18, 15), small!.act!);
    expect(rules(raised)).to.not.include('wire-too-thin');
    expect(rules(raised)).to.not.include('fuse-too-small');
  });
});

describe('a cure', () => {
  it('that is in place already, or cannot be, is not offered', () => {
    for (const job of Object.values(demoJobs))
      for (const snag of assess(job).snags)
        if (snag.act) {
          const tried = tryAct(job, snag.act);
          expect(tried.ok && tried.value, snag.id).to.not.deep.equal(job);
        }
  });
  it('says whether the run was solved when it says what else it changes', () => {
    const note = { act: 'set', path: ['survey', 'notes'], value: 'x' } as const;
    expect(previewAct(demoJobs.mailVan, note).isSolved).to.equal(true);
    expect(previewAct(demoJobs.beachBuggy, note).isSolved).to.equal(false);
  });
});
