import { expect } from 'chai';
import { afterRailJob, carburettorJob, changed, cleanJob, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { describeRunFault, faultPart, runFaults, type RunFault } from './run-fault.ts';

const flow = (lph: number) => ({ si: lph / 3.6e6, unit: 'L/h' });
const pot = (change: (job: Job) => void) => changed(demoJobs.rescuePickup, change);
const cases: [RunFault['code'], string | undefined, Job, RegExp][] = [
  ['emptyRun', undefined, cleanJob((j) => (j.run = { supply: [], return: [] })), /choose a layout/],
  ['noTank', 'sock-1', cleanJob((j) => j.run.supply.shift()), /starts at “Sock”: there is a gap/],
  [
    'tankMidway',
    'tank-2',
    cleanJob((j) => j.run.supply.push({ kind: 'tank', id: 'tank-2' })),
    /“Tank” stands in the middle/,
  ],
  ['noPump', undefined, cleanJob((j) => j.run.supply.splice(2, 1)), /has no pump/],
  ['noConsumer', 'hose-2', cleanJob((j) => j.run.supply.pop()), /ends at “Engine feed hose”: there is a gap/],
  [
    'twoConsumers',
    'carburettor-1',
    cleanJob((j) => j.run.supply.push({ kind: 'carburettor', id: 'carburettor-1' })),
    /is a second consumer/,
  ],
  [
    'gapAfterConsumer',
    'hose-9',
    carburettorJob((j) => j.run.supply.push({ kind: 'hose', id: 'hose-9' })),
    /“Hose” stands after “Carburettor” and leads nowhere/,
  ],
  [
    'consumerInReturn',
    'rail-9',
    cleanJob((j) => j.run.return.push({ kind: 'rail', id: 'rail-9' })),
    /engines are fed from the supply/,
  ],
  ['noReturn', 'regulator-1', afterRailJob((j) => (j.run.return = [])), /gap after “Tank regulator”/],
  [
    'strayReturn',
    'hose-9',
    carburettorJob((j) => j.run.return.push({ kind: 'hose', id: 'hose-9' })),
    /no bypass regulator feeds it/,
  ],
  [
    'opposedPump',
    'pump-1',
    cleanJob((j) => (get(j, 'pump').reversed = true)),
    /“Hanger pump” is turned round: it pumps against the flow/,
  ],
  [
    'opposedPump',
    'pump-9',
    cleanJob((j) => j.run.return.push({ ...get(j, 'pump'), id: 'pump-9', label: 'Second pump' })),
    /“Second pump” stands in the return and pumps against/,
  ],
  [
    'besideNothing',
    'pump-1',
    cleanJob((j) => (get(j, 'pump').beside = true)),
    /to work beside the pump before it, but no pump/,
  ],
  [
    'checkValveReversed',
    'valve-9',
    cleanJob((j) =>
      j.run.supply.splice(3, 0, {
        kind: 'checkValve',
        id: 'valve-9',
        bore: { si: 8e-3, unit: 'mm' },
        reversed: true,
      }),
    ),
    /lets nothing pass/,
  ],
  ['returnIntoSupply', 'return-drop-1', cleanJob((j) => (j.run.returnTo = 'supply')), /pumped round and boils/],
  ['returnToNoPot', 'return-drop-1', cleanJob((j) => (j.run.returnTo = 'pot')), /but there is none on the run/],
  ['potUnfed', 'swirl-pot-1', pot((j) => j.run.supply.splice(2, 1)), /never filled/],
  ['potUndrawn', 'swirl-pot-1', pot((j) => j.run.supply.splice(6, 1)), /feeds no rail/],
  [
    'potMisplaced',
    'swirl-pot-9',
    pot((j) => j.run.supply.push({ ...get(j, 'swirlPot'), id: 'swirl-pot-9' })),
    /is misplaced: one swirl pot/,
  ],
  [
    'noSensor',
    'pump-1',
    changed(demoJobs.islandShuttle, (j) => (j.run.supply = j.run.supply.filter((c) => c.kind !== 'pressureSensor'))),
    /has no pressure sensor on the run/,
  ],
  ['noBore', 'hard-line-1', cleanJob((j) => (get(j, 'hardLine').wall = { si: 0.004, unit: 'mm' })), /has no bore/],
  [
    'noBore',
    'hard-line-2',
    pot(
      (j) => ((j.run.return.find((c) => c.kind === 'hardLine') as { wall: unknown }).wall = { si: 0.005, unit: 'mm' }),
    ),
    /“Return line” has no bore/,
  ],
  [
    'pumpTable',
    'pump-1',
    cleanJob((j) => (get(j, 'pump').tables![0]!.rows[3]!.flow = flow(260))),
    /not monotone: row 4 gives 260 L.h, but at the next lower pressure it gives 255 L.h/,
  ],
  [
    'pumpTable',
    'pump-1',
    cleanJob((j) => get(j, 'pump').tables![1]!.rows.splice(1)),
    /table 2 of “Hanger pump” needs at least two rows/,
  ],
  [
    'pumpTable',
    'pump-1',
    cleanJob((j) => (get(j, 'pump').tables![0]!.rows[3]!.pressure.si = 3e5)),
    /Row 4 .* repeats the pressure 300 kPa/,
  ],
  [
    'pumpTable',
    'pump-1',
    cleanJob((j) => (get(j, 'pump').tables![1]!.voltage.si = 13.5)),
    /two flow tables at the same voltage/,
  ],
];

describe('a run that cannot work', () => {
  for (const [code, part, job, sentence] of cases)
    it(`${code}: is named in one sentence, at ${part ?? 'no one part'}`, () => {
      const fault = runFaults(job).find((f) => f.code === code);
      if (!fault)
        throw new Error(
          `only ${runFaults(job)
            .map((f) => f.code)
            .join()}`,
        );
      expect(faultPart(fault)).to.equal(part);
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
