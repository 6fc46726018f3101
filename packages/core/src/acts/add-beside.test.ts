import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { assess } from '../assessment/assess.ts';
import { resultAt } from '../run/solve-run.ts';
import { circuitsOf } from '../run/circuits.ts';
import type { Part } from '../parts/kinds.ts';
import { jobSchema, type Job } from '../job/job.ts';
import { tryAct } from './apply-act.ts';
import { restoring } from './touched.ts';

const { mailVan, rescuePickup } = demoJobs;
const beside = (job: Job, id: string, given: object = {}): Job => {
  const { ports: _ports, ...part } = job.parts[id]!;
  const act = { act: 'addBeside', id, part: { ...part, id: 'second', label: 'Second' }, by: 'tee', ...given };
  const done = tryAct(job, act);
  if (!done.ok) throw new Error(done.fault.message);
  expect(jobSchema.safeParse(done.value).error).to.equal(undefined);
  const back = tryAct(done.value, restoring(job, done.value, 'undo'));
  expect(back.ok && back.value, 'one step of undo').to.deep.equal(job);
  return done.value;
};
const pumpFlow = (job: Job) => resultAt(assess(job).findings.solution!, 'fullLoad').pumpFlow;

describe('another part beside one that is there, in one act', () => {
  for (const by of ['tee', 'y'] as const)
    it(`a second pump between ${by}s feeds the same line: no fuel is pumped round, and the two bring more than one`, () => {
      const job = beside(mailVan, 'pump-1', { by, checkValves: true });
      const run = circuitsOf(job);
      expect(run.feedPumps).to.have.members(['pump-1', 'second']);
      expect(run.into('second')[0]!.from, 'drawn from where the first draws').to.equal(run.into('pump-1')[0]!.from);
      expect(run.outOf('second')[0]!.to).to.equal(run.outOf('pump-1')[0]!.to);
      expect(pumpFlow(job)).to.be.above(1.2 * pumpFlow(mailVan));
      for (const id of ['pump-1', 'second']) expect(job.parts[id]).to.include({ checkValve: true });
    });
  it('draws through a pickup and a sock of its own where that is wanted', () => {
    const job = beside(mailVan, 'pump-1', { ownPickup: true });
    const run = circuitsOf(job);
    const [sock] = run.into('second');
    expect(job.parts[sock!.from]!.kind).to.equal('sock');
    const [tank] = run.into(sock!.from);
    expect([tank!.from, tank!.fromPort]).to.deep.equal(['tank-1', 'pickup-2']);
    expect(run.into('pump-1'), 'the first as it was').to.deep.equal(circuitsOf(mailVan).into('pump-1'));
  });
  it('gets a relay and a fuse, its coil with those of the first', () => {
    const job = beside(mailVan, 'pump-1', { isWired: true });
    const { devices = [] } = job.wiring!;
    const [was, is] = [mailVan.wiring!.devices!, devices].map((list) => list.filter((d) => d.kind === 'relay').length);
    expect([was! + 1, devices.filter((d) => d.kind === 'pumpLoad' && d.part === 'second').length]).to.deep.equal([
      is,
      1,
    ]);
    const found = assess(job).findings;
    expect(found.solution, 'the circuit of both is solved').to.not.equal(undefined);
  });
  it('a filter beside a filter halves what each carries; a dead-ended rail gets its branch before it', () => {
    const filters = beside(mailVan, 'filter-1');
    const at = resultAt(assess(filters).findings.solution!, 'fullLoad').parts;
    const flow = (id: string) => at.find((p) => p.id === id)!.flow;
    expect(flow('second')).to.be.closeTo(flow('filter-1'), 0.05 * flow('filter-1')); // the tees’ legs differ a little
    const rails = beside(mailVan, 'rail-1');
    expect(circuitsOf(rails).into('second')).to.have.length(1);
    expect(circuitsOf(rails).consumers).to.have.members(['rail-1', 'second']);
  });
  it('is refused in words beside what is set aside, leads nowhere or is another kind', () => {
    const refusal = (job: Job, act: object): string => {
      const done = tryAct(job, act);
      return done.ok ? '' : done.fault.message;
    };
    const second = (kind: string) => ({ kind, id: 'second' }) as Part;
    expect(refusal(mailVan, { act: 'addBeside', id: 'pump-1', part: second('hose'), by: 'tee' })).to.match(
      /does not go beside/,
    );
    const loose = tryAct(mailVan, { act: 'addPart', part: { kind: 'filter', id: 'loose' } });
    expect(
      loose.ok && refusal(loose.value, { act: 'addBeside', id: 'loose', part: second('filter'), by: 'y' }),
    ).to.match(/nothing leads to/);
    expect(refusal(rescuePickup, { act: 'addBeside', id: 'nowhere', part: second('pump'), by: 'y' })).to.match(
      /no longer on this job/,
    );
  });
});

describe('an instrument on a joint, in one act', () => {
  it('stands on the branch of a tee that went into it', () => {
    const [joint] = circuitsOf(mailVan).into('rail-1');
    const act = {
      act: 'tapIn',
      joint: joint!.joint,
      part: { kind: 'gauge', id: 'gauge-1' },
      port: 'port',
      tee: 'tee-9',
    };
    const done = tryAct(mailVan, act);
    if (!done.ok) throw new Error(done.fault.message);
    const run = circuitsOf(done.value);
    expect(run.isTap('gauge-1')).to.equal(true);
    expect(run.into('rail-1')[0]!.from).to.equal('tee-9');
    expect(assess(done.value).findings.solution).to.not.equal(undefined);
  });
});
