import { sayIn } from '../src/units/unit-system.ts';
import { sayWords } from '../src/units/words.ts';
import { expect } from 'chai';
import { rules } from '../src/checks/rules.ts';
import { snagsOf } from '../src/checks/snags.ts';
import { findingsOf } from '../src/reckoning/findings.ts';
import type { Grade, Snag } from '../src/checks/snag.ts';
import { demoJobs } from '../src/demo/index.ts';
import { tryAct } from '../src/acts/apply-act.ts';
import { freshId } from '../src/acts/fresh-id.ts';
import { GraphEdit, throughPorts } from '../src/acts/graph-edit.ts';
import type { Act } from '../src/acts/act.ts';
import { freePort } from '../src/parts/graph.ts';
import type { Port } from '../src/fittings/port.ts';
import type { Joint } from '../src/parts/joint.ts';
import type { Part, PartKind, PartOf } from '../src/parts/kinds.ts';
import { circuitsOf } from '../src/run/circuits.ts';
import type { Job } from '../src/job/job.ts';
import type { FieldPath } from '../src/fields/field-path.ts';
import { commonProperties } from '../src/parts/define-part.ts';
import { propertiesOf } from '../src/parts/kinds.ts';
import { commonDeviceProperties } from '../src/harness/devices/define-device.ts';
import { deviceKinds } from '../src/harness/devices/index.ts';
import { wireProperties } from '../src/harness/harness.ts';

/** A copy of a job with one thing changed. */
export function changed(job: Job, change: (copy: Job) => void): Job {
  const copy = structuredClone(job);
  change(copy);
  return structuredClone(copy); // other objects than those that anything was derived from
}

/** The finished, clean job: an injected engine, regulator by the tank. */
export const cleanJob = (change: (copy: Job) => void = () => undefined): Job => changed(demoJobs.mailVan, change);

/** The clean job laid out with its regulator after the rail and a manifold reference. */
export const afterRailJob = (change: (copy: Job) => void = () => undefined): Job =>
  changed(demoJobs.mailVan, (job) => {
    act(job, { act: 'moveRegulator', id: 'regulator-1', to: 'afterRail' });
    Object.assign(get(job, 'regulator'), { referenced: true, adjustable: true });
    job.brief.manifoldReference = true;
    change(job);
  });

/** The carburetted job with everything measured: pump below the outlet. */
export const carburettorJob = (change: (copy: Job) => void = () => undefined): Job =>
  changed(demoJobs.beachBuggy, (job) => {
    const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
    Object.assign(job.survey.tank, { depth: mm(300), outletHeight: mm(0), ventHeight: mm(600), fillerHeight: mm(500) });
    job.survey.railHeight = mm(400);
    get(job, 'pump').inletHeight = mm(-120);
    get(job, 'hardLine').length = mm(1800);
    change(job);
  });

/** The sprint car with a second pump like its first beside it, both drawing and pressing through a Y. */
export const twoPumpJob = (rest: Partial<PartOf<'pump'>> = {}): Job =>
  changed(demoJobs.sprintCar, (job) => addPumpBeside(job, 'pump-1', 'pump-2', { label: 'Second pump', ...rest }));

/** Another pump like one that is there, between a Y before and a Y behind them; more than two go into blocks. */
export function addPumpBeside(job: Job, first: string, id: string, rest: Partial<PartOf<'pump'>> = {}): void {
  const pump = job.parts[first] as PartOf<'pump'>;
  const before = circuitsOf(job).into(first)[0]!;
  const behind = circuitsOf(job).outOf(first)[0]!;
  const isBlock = (part: string) => job.parts[part]!.kind === 'block' && job.parts[part]!.label === 'pumps';
  const blocks = isBlock(before.from)
    ? [before.from, behind.to]
    : [before, behind].map(({ joint }, i) => {
        const block = freshId(job, 'block');
        const part: Part = { kind: 'block', id: block, label: 'pumps', ways: 2 };
        act(job, {
          act: 'insertPart',
          joint,
          part,
          in: i === 0 ? 'port-1' : 'port-2',
          out: i === 0 ? 'port-2' : 'port-1',
        });
        return block;
      });
  for (const block of blocks) (job.parts[block] as PartOf<'block'>).ways! += 1;
  const edit = new GraphEdit(job);
  edit.add({ ...pump, id, ...rest });
  const [inlet, outlet] = blocks.map((block) => freePort(job, job.parts[block]!, 'port'));
  edit.connect({ part: blocks[0]!, port: inlet! }, { part: id, port: 'in' });
  edit.connect({ part: id, port: 'out' }, { part: blocks[1]!, port: outlet! });
  Object.assign(job, edit.job);
}

/** The pickup's run with its rails fed another way: one, one after the other, side by side, or the second on a crossover. */
export const railsJob = (feed: 'single' | 'series' | 'parallel' | 'crossover'): Job =>
  changed(demoJobs.rescuePickup, (job) => {
    if (feed === 'parallel') return;
    const hose = job.parts['hose-5'] as PartOf<'hose'>;
    for (const id of ['y-1', 'y-2', 'hose-5', 'hose-6', 'hose-7', 'hose-8']) {
      delete job.parts[id];
      for (const joint of Object.values(job.joints))
        if (joint.a.part === id || joint.b.part === id) delete job.joints[joint.id];
    }
    job.joints = { ...job.joints };
    job.parts = { ...job.parts };
    const edit = new GraphEdit(job);
    const at = (part: string, port: string) => ({ part, port });
    if (feed === 'single') {
      edit.put({ ...get(job, 'rail'), injectors: 8 });
      edit.remove('rail-2');
      edit.connect(at('hose-3', 'out'), at('rail-1', 'in'));
      edit.connect(at('rail-1', 'out'), at('regulator-1', 'in'));
    } else if (feed === 'series') {
      edit.add(hose);
      edit.connect(at('hose-3', 'out'), at('rail-1', 'in'));
      edit.connect(at('rail-1', 'out'), at('hose-5', 'in'));
      edit.connect(at('hose-5', 'out'), at('rail-2', 'in'));
      edit.connect(at('rail-2', 'out'), at('regulator-1', 'in'));
    } else {
      edit.add(hose);
      edit.add({ kind: 'tee', id: 'tee-1', bore: { si: 0.008, unit: 'mm' } });
      edit.put({ ...(edit.part('rail-2') as PartOf<'rail'>), ports: { out: { closed: 'plugged' } } });
      edit.connect(at('hose-3', 'out'), at('tee-1', 'a'));
      edit.connect(at('tee-1', 'b'), at('rail-1', 'in'));
      edit.connect(at('tee-1', 'branch'), at('hose-5', 'in'));
      edit.connect(at('hose-5', 'out'), at('rail-2', 'in'));
      edit.connect(at('rail-1', 'out'), at('regulator-1', 'in'));
    }
    Object.assign(job, edit.job);
  });

/** Does an act on a copy that a test is making. @throws if it is refused. */
export function act(job: Job, ...acts: Act[]): void {
  for (const one of acts) {
    const done = tryAct(job, one);
    if (!done.ok) throw new Error(`${one.act}: ${done.fault.field} ${done.fault.message}`);
    for (const key of Object.keys(job)) delete (job as unknown as Record<string, unknown>)[key];
    Object.assign(job, done.value);
  }
}

/** The clean job with its return led into the suction by a tee: a blunder. */
export const returnIntoSupply = (): Job =>
  cleanJob((job) => {
    const [first] = circuitsOf(job).outOf('tank-1');
    act(job, { act: 'insertPart', joint: first!.joint, part: { kind: 'tee', id: 'tee-1' }, in: 'a', out: 'b' });
    const end = circuitsOf(job).outOf('return-drop-1')[0]!.joint;
    act(job, { act: 'moveEnd', joint: end, part: 'tank-1', to: { part: 'tee-1', port: 'branch' } });
  });

/** Puts a part in behind another, where most fuel goes on. */
export function putBehind(job: Job, id: string, part: Part): void {
  const flow = circuitsOf(job)
    .outOf(id)
    .find((f) => !circuitsOf(job).isTap(f.to))!;
  const [inlet, outlet] = throughPorts(part)!;
  act(job, { act: 'insertPart', joint: flow.joint, part, in: inlet, out: outlet });
}

/** The n-th part of a kind, in the order of the fuel. */
export function get<K extends PartKind>(job: Job, kind: K, n = 0): PartOf<K> {
  const found = circuitsOf(job).parts.filter((p) => p.kind === kind)[n];
  if (!found) throw new Error(`no ${kind} ${n}`);
  return found as unknown as PartOf<K>;
}

/** What a port is made as. */
export function fit(job: Job, part: string, port: string, fitting: Port): void {
  const found = job.parts[part]!;
  found.ports = { ...found.ports, [port]: { ...found.ports?.[port], fitting } };
}

/** Takes off all that closes the ports of a part. */
export function open(job: Job, part: string): void {
  for (const [port, { closed: _closed, ...known }] of Object.entries(job.parts[part]!.ports ?? {}))
    job.parts[part]!.ports![port] = known;
}

export const jointInto = (job: Job, part: string): Joint => job.joints[circuitsOf(job).into(part)[0]!.joint]!;

/** Joints that a hose makes get another clamp. */
export function clamp(job: Job, hose: string, held: Joint['clamp']): void {
  for (const joint of Object.values(job.joints))
    if (joint.a.part === hose || joint.b.part === hose) job.joints[joint.id] = { ...joint, clamp: held };
}

/** A snag as a metric reader reads it. */
export type ReadSnag = Snag & {
  readonly why: string;
  readonly cure: string;
  readonly actLabel?: string;
  /** The same as one reads it who works in inches and psi. */
  readonly inInches: readonly string[];
};
const [metric, imperial] = [sayIn('metric'), sayIn('imperial')];
export const readSnag = (snag: Snag): ReadSnag =>
  ({
    ...snag,
    inInches:
      (snag as Partial<ReadSnag>).inInches ??
      [snag.why, snag.cure, snag.actLabel ?? ''].map((text) => sayWords(text, imperial)),
    why: sayWords(snag.why, metric),
    cure: sayWords(snag.cure, metric),
    ...(snag.actLabel === undefined ? {} : { actLabel: sayWords(snag.actLabel, metric) }),
  }) as ReadSnag;

/** What one rule says of a job; the others are not asked. @throws when there is none of that key. */
export function snagsOfRule(job: Job, rule: string): ReadSnag[] {
  const found = rules.find((r) => r.key === rule);
  if (!found) throw new Error(`there is no rule ${rule}`);
  return snagsOf(findingsOf(job), [found]).map(readSnag);
}

/**
 * A snag is whole: sentences, figure and limit of one kind with their labels, a path that leads to a field, and a cure that works
 * where one is offered.
 */
export function expectWhole(job: Job, given: Snag): void {
  const snag = readSnag(given);
  for (const sentence of [snag.what, snag.why, snag.cure]) expect(sentence).to.match(/^\S.*[.]$/s);
  // who works in inches and psi reads nothing else
  for (const text of snag.inInches) expect(text, snag.id).to.not.match(/\d\s?(mm(?!²)|cm|m|L|L\/h|kPa|bar|°C)\b/);
  expect(snag.source).to.not.equal('');
  for (const figure of [snag.figure, snag.limit])
    if (figure) {
      expect(figure.label).to.be.a('string').and.not.equal('');
      expect(figure.kind).to.be.a('string');
      expect(Number.isFinite(figure.si), `${snag.id}: ${figure.label}`).to.equal(true);
    }
  if (snag.path) expectField(job, snag.path);
  if (snag.act) {
    expect(snag.actLabel, 'a cure needs a label').to.be.a('string');
    const cured = tryAct(job, snag.act);
    if (!cured.ok) throw new Error(`${snag.id}: the cure is refused: ${cured.fault.message}`);
    expect(snagsOfRule(cured.value, snag.rule).map((s) => s.id)).to.not.include(snag.id);
  }
}

/** A path that a form has a field for. */
function expectField(job: Job, [root, ...rest]: FieldPath): void {
  const where = `${[root, ...rest].join(' ')} leads to no field`;
  expect(rest.length, where).to.be.at.least(1);
  if (root === 'parts') {
    const part = job.parts[rest[0]!];
    expect(part, where).to.not.equal(undefined);
    if (rest.length > 1)
      expect(Object.keys({ ...propertiesOf(part!.kind), ...commonProperties, ports: 0 }), where).to.include(rest[1]);
  } else if (root === 'wiring') expectWiringField(job, rest.map(String), where);
  else if (root === 'joints') expect(job.joints, where).to.have.property(String(rest[0]));
  else
    expect(['brief', 'survey', 'hanger', 'gauge', 'assumptions', 'points', 'layout', 'bulkhead'], where).to.include(
      root,
    );
}

/** A device's or a wire's field. */
function expectWiringField({ wiring }: Job, [rows, id, key]: string[], where: string): void {
  const device = wiring?.devices?.find((d) => d.id === id);
  const fields: object =
    rows === 'devices' && device
      ? { ...deviceKinds[device.kind].properties, ...commonDeviceProperties }
      : { ...wireProperties, from: 0, to: 0 };
  if (rows === 'wires')
    expect(
      wiring?.wires?.some((w) => w.id === id),
      where,
    ).to.equal(true);
  else expect(device, where).to.not.equal(undefined);
  expect(Object.keys(fields), where).to.include(key);
}

/** The rule is silent on the good job and speaks on the bad one, with whole sentences and, if it offers a cure, one that works. */
export function expectSnag(rule: string, good: Job, bad: Job, grade: Grade, part?: string): ReadSnag {
  expect(snagsOfRule(good, rule), 'on the good job').to.deep.equal([]);
  const [snag] = snagsOfRule(bad, rule);
  if (!snag) throw new Error(`${rule} did not speak`);
  expect(snag.grade).to.equal(grade);
  expect(snag.part).to.equal(part);
  expectWhole(bad, snag);
  return snag;
}
