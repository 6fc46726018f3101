import { expect } from 'chai';
import { carburettorJob, changed, twoPumpJob } from '../../test/rule-cases.ts';
import { simpleWiring } from '../../test/simple-wiring.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { cutOff, truthTable } from './cut-off.ts';
import { DRIVING } from './cut-off-state.ts';
import type { Harness } from './harness.ts';
import { HarnessBuild } from '../harness-templates/harness-build.ts';
import { harnessTemplates, type HarnessTemplateKey } from '../harness-templates/index.ts';

const laid = (key: HarnessTemplateKey, job: Job): Harness => harnessTemplates[key].build(job, {});
const rows = (harness: Harness, pump = 'pump-1') =>
  Object.fromEntries(truthTable(harness).map((r) => [r.key, r.pumps[pump]]));

describe('cut-off logic', () => {
  it('a control unit and an inertia switch: runs cranking and driving, primes, stands in all else', () => {
    const told = rows(laid('onePump', demoJobs.mailVan));
    expect(told).to.include({
      off: 'stands',
      prime: 'runs',
      keyOn: 'stands',
      cranking: 'runs',
      driving: 'runs',
      stalled: 'stands',
      crash: 'stands',
      crashTurning: 'stands',
      after: 'stands',
    });
    expect(told['dead-control-unit-1']).to.equal('stands');
    // its contacts welded, only the fuse stops it: the relay's feed is always live
    expect(told['welded-relay-1']).to.equal('runs');
  });
  it('staged pumps each have an output; both stand in a crash', () => {
    const harness = laid('staged', twoPumpJob());
    for (const pump of ['pump-1', 'pump-2'])
      expect(rows(harness, pump)).to.include({ driving: 'runs', crash: 'stands', keyOn: 'stands' });
  });
  it('a pump controller is fed by a relay that the control unit pulls', () => {
    const harness = laid('controlled', demoJobs.islandShuttle);
    expect(rows(harness)).to.include({
      driving: 'runs',
      keyOn: 'stands',
      stalled: 'stands',
      crashTurning: 'stands',
      off: 'stands',
    });
  });
  it('oil pressure: runs while it is cranked and with pressure, not with the key on alone', () => {
    const told = rows(laid('oilPressure', carburettorJob()));
    expect(told).to.include({
      keyOn: 'stands',
      prime: 'stands',
      cranking: 'runs',
      driving: 'runs',
      stalled: 'stands',
      noOil: 'stands',
      crash: 'stands',
      crashTurning: 'stands',
      after: 'stands',
    });
  });
  it('without its cranking contact the pump stands while the engine is cranked', () => {
    const harness = laid('oilPressure', carburettorJob());
    const wires = harness.wires!.filter((w) => w.to?.terminal !== 'start');
    expect(rows({ ...harness, wires })).to.include({ cranking: 'stands', driving: 'runs' });
  });
  it('a relay fed by the key alone stays live; one whose coil is on nothing is not known', () => {
    const harness = simpleWiring({});
    const toEarth = harness.wires!.map((w) =>
      w.to?.terminal === 'pump' ? { ...w, to: { device: 'earth-point-1', terminal: 'point' } } : w,
    );
    expect(rows({ ...harness, wires: toEarth })).to.include({
      keyOn: 'runs',
      stalled: 'runs',
      crash: 'runs',
      off: 'stands',
    });
    const open = harness.wires!.filter((w) => w.to?.terminal !== 'pump');
    expect(rows({ ...harness, wires: open })).to.include({ driving: 'unknown', keyOn: 'unknown', crash: 'unknown' });
  });
  it('what a control unit does in a crash counts while the engine turns on; unsaid it is not known', () => {
    const at = (crashInput: boolean | undefined) => {
      const harness = simpleWiring({});
      const devices = harness.devices!.map((d) => (d.kind === 'controlUnit' ? { ...d, crashInput } : d));
      return rows({ ...harness, devices });
    };
    expect(at(true)).to.include({ crash: 'stands', crashTurning: 'stands' });
    expect(at(false)).to.include({ crash: 'stands', crashTurning: 'runs' });
    expect(at(undefined)).to.include({ crash: 'stands', crashTurning: 'unknown' });
  });
  it('primes for as long as the control unit does', () => {
    const at = (prime: number) => {
      const harness = simpleWiring({});
      return rows({
        ...harness,
        devices: harness.devices!.map((d) =>
          d.kind === 'controlUnit' ? { ...d, prime: { si: prime, unit: 's' } } : d,
        ),
      });
    };
    expect(at(2).prime).to.equal('runs');
    expect(at(0.4).prime).to.equal('stands');
    expect(at(30).keyOn).to.equal('stands');
  });
  it('a control unit whose output stays closed when it is dead leaves the pump on', () => {
    const harness = simpleWiring({});
    const dead = {
      ...harness,
      devices: harness.devices!.map((d) => (d.kind === 'controlUnit' ? { ...d, deadCloses: true } : d)),
    };
    expect(rows(dead)['dead-control-unit-1']).to.equal('runs');
  });
  it('a relay that holds itself over its own contact is found holding after driving, and standing before', () => {
    const build = new HarnessBuild();
    const [battery, key, oil, relay, pump, earth] = [
      build.device('battery'),
      build.device('keySwitch'),
      build.device('oilSwitch'),
      build.device('relay'),
      build.device('pumpLoad', { part: 'pump-1' }),
      build.device('earthPoint'),
    ];
    build.wire(`${battery}:plus`, `${key}:30`);
    build.wire(`${key}:15`, `${relay}:30`);
    build.wire(`${key}:15`, `${oil}:in`);
    build.wire(`${oil}:out`, `${relay}:86`);
    build.wire(`${relay}:87`, `${relay}:86`);
    build.wire(`${relay}:85`, `${earth}:point`);
    build.wire(`${relay}:87`, `${pump}:plus`);
    build.wire(`${pump}:minus`, `${earth}:point`);
    const told = rows(build.harness);
    expect(told).to.include({ keyOn: 'stands', driving: 'runs', stalled: 'runs', after: 'stands' });
  });
  it('a contact that opens its own coil buzzes: nothing is said to run', () => {
    const build = new HarnessBuild();
    const [battery, relay, pump, earth] = [
      build.device('battery'),
      build.device('relay', { changesOver: true }),
      build.device('pumpLoad', { part: 'pump-1' }),
      build.device('earthPoint'),
    ];
    build.wire(`${battery}:plus`, `${relay}:30`);
    build.wire(`${relay}:87a`, `${relay}:86`);
    build.wire(`${relay}:85`, `${earth}:point`);
    build.wire(`${relay}:87`, `${pump}:plus`);
    build.wire(`${pump}:minus`, `${earth}:point`);
    expect(cutOff(build.harness, DRIVING).running.size).to.equal(0);
  });
  it('a pump wired the wrong way round is told', () => {
    const harness = simpleWiring({});
    const turn = (t: string) => (t === 'plus' ? 'minus' : 'plus');
    const wires = harness.wires!.map((w) => ({
      ...w,
      ...(w.from?.device === 'pump-load-1' ? { from: { ...w.from, terminal: turn(w.from.terminal) } } : {}),
      ...(w.to?.device === 'pump-load-1' ? { to: { ...w.to, terminal: turn(w.to.terminal) } } : {}),
    }));
    expect([...cutOff({ ...harness, wires }, DRIVING).backwards]).to.deep.equal(['pump-1']);
    expect([...cutOff(harness, DRIVING).backwards]).to.deep.equal([]);
  });
  it('every template lays out a circuit for the pumps of the run, or says why not', () => {
    for (const [key, template] of Object.entries(harnessTemplates))
      for (const job of [
        demoJobs.mailVan,
        demoJobs.rescuePickup,
        demoJobs.islandShuttle,
        changed(demoJobs.mailVan, (j) => (j.parts = {})),
      ]) {
        const why = template.unfit(job);
        if (why !== undefined) {
          expect(why).to.match(/[.]$/);
          continue;
        }
        const harness = template.build(job, {});
        const ids = [...harness.devices!, ...harness.wires!].map((r) => r.id);
        expect(new Set(ids).size, key).to.equal(ids.length);
        const joined = harness.wires!.every((w) =>
          [w.from, w.to].every((e) => harness.devices!.some((d) => d.id === e!.device)),
        );
        expect(joined, key).to.equal(true);
      }
  });
});
