import { partsOnRun } from '../parts/graph.ts';
import type { Job } from '../job/job.ts';
import { partName, type PartOf } from '../parts/kinds.ts';
import type { Harness } from '../harness/harness.ts';
import { pumpsWithoutCircuit, relaysForOthers } from './another-pump.ts';
import { HarnessBuild } from './harness-build.ts';
import {
  coil,
  control,
  earth,
  earthOfUnit,
  factory,
  fusedRelay,
  keyed,
  long,
  pumpLegs,
  type Given,
} from './pump-legs.ts';

/** A usual circuit, laid out for the pumps of a run. Lengths and conductors stay open: they are measured and sized. */
export interface HarnessTemplate {
  readonly name: string;
  readonly hint: string;
  /** Why it does not fit this run, if it does not. */
  unfit(job: Job): string | undefined;
  /** @param onto - what is drawn already; templates that lay out the whole circuit begin anew. */
  build(job: Job, onto: Harness): Harness;
}

type Pump = PartOf<'pump'>;
const pumpsOf = (job: Job): Pump[] => partsOnRun(job).filter((p): p is Pump => p.kind === 'pump');
const needsPump = (job: Job) => (pumpsOf(job).length > 0 ? undefined : 'No electric pump stands on the run.');

function relayed(job: Job, doubled: boolean): Harness {
  const build = new HarnessBuild();
  const { battery, coilFeed, unit } = control(build);
  pumpsOf(job).forEach((pump, i) => {
    const relay = fusedRelay(build, battery, partName(pump));
    build.wire(coilFeed, `${relay}:86`, coil);
    build.wire(`${relay}:85`, `${unit}:${i === 0 ? 'pump' : 'stage'}`, coil);
    pumpLegs(build, pump, `${relay}:87`, undefined, doubled);
  });
  return build.harness;
}

function controlled(job: Job): Harness {
  const build = new HarnessBuild();
  const { battery, coilFeed, unit, key } = control(build);
  const pumps = pumpsOf(job);
  pumps.forEach((pump, i) => {
    const relay = fusedRelay(build, battery, partName(pump));
    build.wire(coilFeed, `${relay}:86`, coil);
    build.wire(`${relay}:85`, `${unit}:${i === 0 ? 'pump' : 'stage'}`, coil);
    if (pump.drive !== 'pwm') return pumpLegs(build, pump, `${relay}:87`);
    const controller = build.device('pumpController', {});
    const point = build.device('earthPoint', { label: 'Earth of the controller', on: 'body' });
    build.wire(`${relay}:87`, `${controller}:feed`, long);
    build.wire(`${controller}:earth`, `${point}:point`, earth);
    build.wire(`${key}:15`, `${controller}:enable`, keyed);
    pumpLegs(build, pump, `${controller}:pumpPlus`, `${controller}:pumpMinus`);
    sensor(build, job, controller);
  });
  return build.harness;
}

/** The three shielded wires of a pressure sensor, to what reads it. */
function sensor(build: HarnessBuild, job: Job, unit: string): void {
  const part = partsOnRun(job).find((p) => p.kind === 'pressureSensor');
  const plug = build.device('pressureSensorPlug', part ? { label: partName(part), part: part.id } : {});
  const shielded: Given = { ...coil, use: 'signal', lies: 'bay', insulation: 'xlpe125', shield: 'oneEnd' };
  build.wire(`${unit}:sensorSupply`, `${plug}:supply`, shielded);
  build.wire(`${plug}:signal`, `${unit}:signal`, shielded);
  build.wire(`${plug}:earth`, `${unit}:sensorEarth`, shielded);
}

function oilPressure(job: Job): Harness {
  const build = new HarnessBuild();
  const battery = build.only('battery');
  build.only('alternator');
  const key = build.only('keySwitch');
  const inertia = build.only('inertiaSwitch');
  const oil = build.only('oilSwitch', { starts: true });
  const fuse = build.device('fuse', { label: 'Control fuse', rating: { si: 5, unit: 'A' } });
  const point = build.device('earthPoint', { label: 'Earth of the coils', on: 'body' });
  build.wire(`${battery}:plus`, `${key}:30`, factory);
  build.wire('alternator-1:plus', `${battery}:plus`, { ...factory, finishEnd: 'ring' });
  build.wire(`${key}:15`, `${fuse}:in`, keyed);
  build.wire(`${fuse}:out`, `${oil}:in`, keyed);
  build.wire(`${key}:50`, `${oil}:start`, keyed);
  build.wire(`${oil}:out`, `${inertia}:in`, coil);
  pumpsOf(job).forEach((pump) => {
    const relay = fusedRelay(build, battery, partName(pump));
    build.wire(`${inertia}:out`, `${relay}:86`, coil);
    build.wire(`${relay}:85`, `${point}:point`, earthOfUnit);
    pumpLegs(build, pump, `${relay}:87`);
  });
  return build.harness;
}

function gauge(job: Job, onto: Harness): Harness {
  const build = new HarnessBuild(onto);
  const key = build.only('keySwitch');
  const fuse = build.device('fuse', { label: 'Gauge fuse', rating: { si: 5, unit: 'A' } });
  const meter = build.device('levelGauge');
  const sender = build.device('levelSender');
  const point = build.device('earthPoint', { label: 'Earth of the sender', on: 'plate' });
  const held =
    job.gauge?.movement === 'bimetal'
      ? build.device('stabiliser', job.gauge.stabiliser ? { volts: job.gauge.stabiliser } : {})
      : undefined;
  build.wire(`${key}:15`, `${fuse}:in`, keyed);
  if (held) {
    const case_ = build.device('earthPoint', { label: 'Earth of the stabiliser', on: 'body' });
    build.wire(`${fuse}:out`, `${held}:feed`, keyed);
    build.wire(`${held}:earth`, `${case_}:point`, earthOfUnit);
    build.wire(`${held}:out`, `${meter}:feed`, keyed);
  } else build.wire(`${fuse}:out`, `${meter}:feed`, keyed);
  const signal: Given = { ...coil, use: 'signal', lies: 'underbody' };
  const second =
    job.gauge?.combine === 'sum' ? build.device('levelSender', { which: 'second', label: 'Second sender' }) : undefined;
  build.wire(`${meter}:sender`, `${sender}:signal`, signal);
  if (second) build.wire(`${sender}:earth`, `${second}:signal`, signal);
  build.wire(`${second ?? sender}:earth`, `${point}:point`, { ...earth, lies: 'underbody' });
  return build.harness;
}

/** Usual circuits. The last three add to what is drawn. */
export const harnessTemplates = {
  onePump: {
    name: 'Pump, relay and fuse',
    hint: 'Fuse at the battery, relay near the tank, coil by the control unit over an inertia switch.',
    unfit: needsPump,
    build: (job) => relayed(job, false),
  },
  staged: {
    name: 'Staged pumps',
    hint: 'A relay and a fuse for each; the second by an output of its own.',
    unfit: (job) => needsPump(job) ?? (pumpsOf(job).length > 1 ? undefined : 'Only one pump stands on the run.'),
    build: (job) => relayed(job, false),
  },
  controlled: {
    name: 'Pump controller (PWM)',
    hint: 'Short and thick to the controller; sensor on three shielded wires, the shield earthed at one end.',
    unfit: (job) =>
      needsPump(job) ??
      (pumpsOf(job).some((p) => p.drive === 'pwm') ? undefined : 'No pump on the run is driven by a controller.'),
    build: (job) => controlled(job),
  },
  oilPressure: {
    name: 'Oil-pressure cut-off',
    hint: 'For a carburettor without a control unit: the pump runs while there is oil pressure, or while it is cranked.',
    unfit: needsPump,
    build: (job) => oilPressure(job),
  },
  doubled: {
    name: 'Factory connector, pins doubled',
    hint: 'Two conductors on two pins, for a pump that draws more than one pin carries.',
    unfit: needsPump,
    build: (job) => relayed(job, true),
  },
  anotherPump: {
    name: 'Another pump, its relay and fuse',
    hint: 'For every pump of the run that has no circuit yet, its coil with those that are there.',
    unfit: (job) =>
      pumpsWithoutCircuit(job, job.wiring ?? {}).length > 0 ? undefined : 'Every pump of the run is in the circuit.',
    build: relaysForOthers,
  },
  gauge: {
    name: 'Add: sender and gauge',
    hint: 'Key, stabiliser where the gauge wants one, gauge, sender, and the plate’s own earth.',
    unfit: () => undefined,
    build: gauge,
  },
  sensor: {
    name: 'Add: pressure sensor',
    hint: 'Supply, signal and earth on shielded wires from the control unit.',
    unfit: () => undefined,
    build: (job, onto) => {
      const build = new HarnessBuild(onto);
      sensor(build, job, build.only('controlUnit', { output: 'earths' }));
      return build.harness;
    },
  },
} as const satisfies Record<string, HarnessTemplate>;
export type HarnessTemplateKey = keyof typeof harnessTemplates;
export const ADDING: ReadonlySet<HarnessTemplateKey> = new Set(['anotherPump', 'gauge', 'sensor']);
