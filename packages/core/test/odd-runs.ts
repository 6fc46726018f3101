import { demoJobs } from '../src/demo/index.ts';
import type { Job } from '../src/job/job.ts';
import { act, afterRailJob, carburettorJob, changed } from './rule-cases.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const at = (part: string, port: string) => ({ part, port });
const plug = (job: Job, ...ports: [part: string, port: string][]) =>
  act(job, ...ports.map(([part, port]) => ({ act: 'setPort', part, port, state: { closed: 'plugged' } }) as const));
const before = (job: Job, part: string) =>
  Object.values(job.joints).find((j) => j.b.part === part && j.b.port === 'in')!.id;

/** A rail fed in its middle by a side port, both its ends plugged. */
export const railFedInMiddle = (): Job =>
  changed(demoJobs.mailVan, (job) => {
    act(job, { act: 'moveEnd', joint: before(job, 'rail-1'), part: 'rail-1', to: at('rail-1', 'side-1') });
    plug(job, ['rail-1', 'in'], ['rail-1', 'out']);
  });

/** A distribution block of four ports before the rail: in by its third, on by its second, a gauge on its first. */
export const blockByAnyPorts = (): Job =>
  changed(demoJobs.mailVan, (job) => {
    const joint = before(job, 'hose-2');
    act(
      job,
      {
        act: 'insertPart',
        joint,
        part: { kind: 'block', id: 'block-1', ways: 4, bore: mm(8) },
        in: 'port-3',
        out: 'port-2',
      },
      {
        act: 'attachPart',
        to: at('block-1', 'port-1'),
        part: { kind: 'gauge', id: 'gauge-1', label: 'Shop gauge' },
        port: 'port',
      },
    );
    plug(job, ['block-1', 'port-4']);
  });

/** The bypass regulator screwed onto a side port of the rail, which is fed at one end and plugged at the other. */
export const regulatorOnRailSide = (): Job =>
  afterRailJob((job) => {
    const joint = before(job, 'regulator-1');
    act(job, { act: 'moveEnd', joint, part: 'rail-1', to: at('rail-1', 'side-1') });
    plug(job, ['rail-1', 'out']);
  });

/** Two rails, each with its own feed and its own loop-back hose, both into one regulator with two inlets. */
export const railsLoopedBack = (): Job =>
  changed(demoJobs.rescuePickup, (job) => {
    const into = Object.values(job.joints).find((j) => j.b.part === 'regulator-1' && j.b.port === 'in')!;
    const y = into.a.part;
    const branches = Object.values(job.joints).filter((j) => j.b.part === y);
    act(
      job,
      { act: 'disconnect', joint: into.id },
      ...branches.map((j) => ({ act: 'disconnect', joint: j.id }) as const),
    );
    act(job, { act: 'takeOut', id: y });
    branches.forEach((j, i) => act(job, { act: 'connect', a: j.a, b: at('regulator-1', i === 0 ? 'in' : 'out') }));
  });

/** A carburettor on an engine-driven pump with a damper on a tee behind it, and a drain before the filter. */
export const enginePumpWithDamper = (): Job =>
  carburettorJob((job) => {
    act(job, {
      act: 'swapPart',
      id: 'pump-1',
      by: { kind: 'enginePump', id: 'engine-pump-1', inletHeight: mm(300), suctionLift: mm(800) },
    });
    const joint = before(job, 'carburettor-1');
    act(
      job,
      { act: 'insertPart', joint, part: { kind: 'tee', id: 'tee-9', bore: mm(8) }, in: 'a', out: 'b' },
      { act: 'attachPart', to: at('tee-9', 'branch'), part: { kind: 'damper', id: 'damper-1' }, port: 'port' },
    );
  });

/** Runs that no layout gives, by name. */
export const oddRuns: Readonly<Record<string, () => Job>> = {
  'rail fed in its middle': railFedInMiddle,
  'block by any of its ports': blockByAnyPorts,
  'regulator on the side of the rail': regulatorOnRailSide,
  'rails looped back into one regulator': railsLoopedBack,
  'engine-driven pump with a damper': enginePumpWithDamper,
};
