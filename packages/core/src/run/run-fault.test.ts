import { expect } from 'chai';
import {
  act,
  afterRailJob,
  carburettorJob,
  changed,
  cleanJob,
  expectWhole,
  get,
  putBehind,
  returnIntoSupply,
  snagsOfRule,
} from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { circuitsOf } from './circuits.ts';
import { describeRunFault, faultPart, runFaults, type RunFault } from './run-fault.ts';

const flow = (lph: number) => ({ si: lph / 3.6e6, unit: 'L/h' });
const pot = (change: (job: Job) => void) => changed(demoJobs.rescuePickup, change);
const out =
  (...ids: string[]) =>
  (job: Job) =>
    act(job, ...ids.map((id) => ({ act: 'takeOut', id }) as const));
const emptied = (job: Job) => Object.assign(job, { parts: {}, joints: {} });
const cases: [RunFault['code'], string | undefined, () => Job, RegExp][] = [
  ['emptyRun', undefined, () => cleanJob(emptied), /choose a layout/],
  ['noTank', undefined, () => cleanJob(out('tank-1')), /has no tank/],
  [
    'secondTank',
    'tank-2',
    () =>
      cleanJob((j) =>
        act(j, {
          act: 'attachPart',
          to: { part: 'rail-1', port: 'side-1' },
          part: { kind: 'tank', id: 'tank-2' },
          port: 'return-1',
        }),
      ),
    /“Tank 2” is a second tank/,
  ],
  ['noPump', undefined, () => cleanJob(out('pump-1')), /has no pump/],
  ['noConsumer', 'hose-2', () => cleanJob(out('rail-1')), /ends at “Engine feed hose”: there is a gap/],
  [
    'unfed',
    'rail-1',
    () => cleanJob((j) => act(j, { act: 'disconnect', joint: 'rail-1-in' })),
    /gap on the run, the supply stops at “Engine feed hose”/,
  ],
  [
    'twoEngines',
    'carburettor-1',
    () =>
      cleanJob((j) =>
        act(j, {
          act: 'attachPart',
          to: { part: 'rail-1', port: 'side-1' },
          part: { kind: 'carburettor', id: 'carburettor-1' },
          port: 'in',
        }),
      ),
    /rails or carburettors, not both/,
  ],
  [
    'noReturn',
    'regulator-1',
    () => afterRailJob((j) => act(j, { act: 'disconnect', joint: circuitsOf(j).into('hose-3')[0]!.joint })),
    /gap after “Tank regulator”/,
  ],
  [
    'returnGap',
    'regulator-1',
    () => cleanJob((j) => act(j, { act: 'disconnect', joint: 'tank-1-return-1' })),
    /ends in the open: there is a gap between it and the tank/,
  ],
  [
    'strayReturn',
    'hose-9',
    () =>
      carburettorJob((j) =>
        act(j, {
          act: 'attachPart',
          to: { part: 'tank-1', port: 'return-1' },
          part: { kind: 'hose', id: 'hose-9' },
          port: 'out',
        }),
      ),
    /no bypass regulator feeds it/,
  ],
  [
    'pumpUnjoined',
    'pump-1',
    () => cleanJob((j) => act(j, { act: 'disconnect', joint: 'pump-1-in' })),
    /The inlet of “Hanger pump” is joined to nothing/,
  ],
  [
    'drawsNothing',
    'pump-1',
    () => cleanJob((j) => act(j, { act: 'disconnect', joint: circuitsOf(j).into('sock-1')[0]!.joint })),
    /“Hanger pump” draws nothing: there is a gap between “Sock” and the tank/,
  ],
  [
    'opposedPump',
    'pump-1',
    () => cleanJob((j) => (get(j, 'pump').reversed = true)),
    /“Hanger pump” is turned round: it pumps against the flow/,
  ],
  [
    'opposedPump',
    'pump-9',
    () => cleanJob((j) => putBehind(j, 'hose-3', { ...get(j, 'pump'), id: 'pump-9', label: 'Second pump' })),
    /“Second pump” stands in the return and pumps against/,
  ],
  [
    'checkValveReversed',
    'valve-9',
    () =>
      cleanJob((j) =>
        putBehind(j, 'pump-1', { kind: 'checkValve', id: 'valve-9', bore: { si: 8e-3, unit: 'mm' }, reversed: true }),
      ),
    /lets nothing pass/,
  ],
  ['returnIntoSupply', 'return-drop-1', () => returnIntoSupply(), /pumped round and boils/],
  ['closedLoop', 'return-drop-1', () => changed(returnIntoSupply(), out('tank-1')), /closed loop without a tank/],
  ['potUnfed', 'swirl-pot-1', () => pot(out('pump-1')), /never filled/],
  ['potUndrawn', 'swirl-pot-1', () => pot(out('pump-2')), /feeds no rail/],
  [
    'potMisplaced',
    'swirl-pot-9',
    () => pot((j) => putBehind(j, 'hose-3', { ...get(j, 'swirlPot'), id: 'swirl-pot-9', ports: {} })),
    /is misplaced: one swirl pot/,
  ],
  [
    'noSensor',
    'pump-1',
    () => changed(demoJobs.islandShuttle, out('pressure-sensor-1')),
    /has no pressure sensor on the run/,
  ],
  [
    'noBore',
    'hard-line-1',
    () => cleanJob((j) => (get(j, 'hardLine').wall = { si: 0.004, unit: 'mm' })),
    /has no bore/,
  ],
  [
    'noBore',
    'hard-line-2',
    () => pot((j) => (get(j, 'hardLine', 1).wall = { si: 0.005, unit: 'mm' })),
    /“Return line” has no bore/,
  ],
  [
    'pumpTable',
    'pump-1',
    () => cleanJob((j) => (get(j, 'pump').tables![0]!.rows[3]!.flow = flow(260))),
    /not monotone: row 4 gives 260 L.h, but at the next lower pressure it gives 255 L.h/,
  ],
  [
    'pumpTable',
    'pump-1',
    () => cleanJob((j) => get(j, 'pump').tables![1]!.rows.splice(1)),
    /table 2 of “Hanger pump” needs at least two rows/,
  ],
  [
    'pumpTable',
    'pump-1',
    () => cleanJob((j) => (get(j, 'pump').tables![0]!.rows[3]!.pressure.si = 3e5)),
    /Row 4 .* repeats the pressure 300 kPa/,
  ],
  [
    'pumpTable',
    'pump-1',
    () => cleanJob((j) => (get(j, 'pump').tables![1]!.voltage.si = 13.5)),
    /two flow tables at the same voltage/,
  ],
];

describe('a run that cannot work', () => {
  for (const [code, part, made, sentence] of cases)
    it(`${code}: is named in one sentence, at ${part ?? 'no one part'}`, () => {
      const job = made();
      const fault = runFaults(job).find((f) => f.code === code);
      if (!fault)
        throw new Error(
          `only ${runFaults(job)
            .map((f) => f.code)
            .join()}`,
        );
      expect(faultPart(fault)).to.equal(part);
      // as a snag it says how to mend it, and does so where one act can
      const snags = snagsOfRule(job, 'run-does-not-solve');
      // an empty run is told on the page, a missing sensor by its own rule
      if (code !== 'emptyRun' && code !== 'noSensor')
        expect(snags.map((s) => s.what)).to.include(describeRunFault(fault, job));
      for (const snag of snags) expectWhole(job, snag);
      const said = describeRunFault(fault, job);
      expect(said)
        .to.match(sentence)
        .and.match(/^\S[^\n]*[.]$/);
    });
  it('has no fault in any demo job', () => {
    for (const job of Object.values(demoJobs)) expect(runFaults(job)).to.deep.equal([]);
  });
  it('says what the solver met, whatever it was', () => {
    const faults = [
      { code: 'notConverged', residual: 0.01234, iterations: 80 },
      { code: 'valvesDidNotSettle', links: ['regulator-1'] },
      { code: 'noSingleAnswer' },
      { code: 'danglingLink', link: 'hose-1', node: 'x' },
      { code: 'noSource' },
    ] as const;
    for (const fault of faults)
      expect(describeRunFault({ code: 'unsolved', fault: fault as never, point: 'idle' }, cleanJob())).to.match(
        /^The flow at idle could not be computed: .*[.]$/,
      );
  });
});
