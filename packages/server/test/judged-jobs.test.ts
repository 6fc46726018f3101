import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import { demoJobs } from '@endrel/core/demo/index';
import { InvalidError, UnreadableError } from '../src/errors.ts';
import { JudgedJobs } from '../src/judging/judged-jobs.ts';

const document = JSON.stringify(demoJobs.mailVan);
const depth = (mm: number) => ({
  act: 'set',
  path: ['survey', 'tank', 'depth'],
  value: { si: mm / 1000, unit: 'mm' },
});
const body = (known: number, ...acts: unknown[]) =>
  JSON.stringify({ client: 'a', known, acts: acts.map((act) => ({ id: randomUUID(), base: known, act })) });

describe('the judging of jobs', () => {
  const holding = () => {
    const jobs = new JudgedJobs();
    jobs.open('k', 1, document);
    const act = (text: string, stored?: Parameters<JudgedJobs['act']>[0]['stored']) =>
      jobs.act({ key: 'k', actor: 'the bench', body: text, stored });
    return { jobs, act };
  };

  it('tries acts on what it holds, and goes on from there only once they are stored', async () => {
    const { jobs, act } = holding();
    const { tried } = await act(body(1, depth(240)));
    expect(JSON.parse(tried!.document).survey.tank.depth.si).to.equal(0.24);
    expect((await act(body(2, depth(250)))).tried, 'revision 2 is not stored yet').to.equal(undefined);
    jobs.stored('k', 2, tried!.ticket);
    expect((await act(body(2, depth(250)))).tried!.outcomes[0]).to.include({ outcome: 'saved', revision: 3 });
    expect((await act(body(1, depth(250)))).tried, 'others may have been there').to.equal(undefined);
    jobs.forget('k');
    expect((await act(body(2, depth(250)))).tried).to.equal(undefined);
  });

  it('asks for what others did where an act cannot be done or changes nothing on what it holds: that may be behind', async () => {
    const { act } = holding();
    const nothing = { act: 'removeRow', path: ['survey', 'lines'], id: 'none' };
    expect((await act(body(1, nothing))).tried).to.equal(undefined);
    const again = await act(body(1, nothing), { revision: 1, done: [], others: [] });
    expect(again.tried!.outcomes[0]!.outcome).to.equal('refused');
    expect(again.tried!.count).to.equal(0);
  });

  it('asks for the job to be opened where it does not hold that revision', async () => {
    const { jobs, act } = holding();
    const stored = { revision: 4, done: [], others: [] };
    expect((await act(body(4, depth(250)), stored)).tried).to.equal(undefined);
    jobs.open('k', 4, document);
    expect((await act(body(4, depth(250)), stored)).tried!.outcomes[0]).to.include({ revision: 5 });
  });

  it('refuses the act that makes a job larger than a job file may be, does those before it, and lets it shrink', async () => {
    const jobs = new JudgedJobs();
    const tables = Array.from({ length: 6 }, (_, t) => ({
      voltage: { si: 9 + t, unit: 'V' },
      rows: Array.from({ length: 40 }, (__, r) => ({
        pressure: { si: r * 1e4, unit: 'kPa' },
        flow: { si: (200 - r) / 3.6e6, unit: 'L/h' },
      })),
    }));
    const pump = (i: number) => ({ act: 'addPart', part: { kind: 'pump', id: `more-${i}`, tables } });
    const each = JSON.stringify(pump(0).part).length;
    const fit = Math.floor((1.9e6 - document.length) / each);
    expect(fit).to.be.within(20, 150);
    let [revision, job] = [1, document];
    const send = async (...acts: unknown[]) => {
      jobs.open('k', revision, job);
      const { tried } = await jobs.act({
        key: 'k',
        actor: 'a',
        body: body(revision, ...acts),
        stored: { revision, done: [], others: [] },
      });
      revision += tried!.count;
      job = tried!.document;
      jobs.stored('k', revision, tried!.ticket);
      return tried!.outcomes;
    };
    for (let i = 0; i < fit - 1; i++) expect((await send(pump(i)))[0]!.outcome).to.equal('saved');
    const outcomes = await send(pump(900), pump(901), pump(902), depth(240));
    expect(outcomes.map((o) => o.outcome)).to.include('refused');
    expect(outcomes[0]!.outcome).to.equal('saved');
    expect(outcomes.at(-1)).to.include({ message: 'makes the job larger than 1.9 MB, which no job file may be' });
    expect(job.length).to.be.within(1.9e6 - 2 * each, 1.9e6);
    expect((await send(depth(240)))[0]!.outcome, 'what adds next to nothing').to.equal('saved');
    expect((await send({ act: 'takeOut', id: 'more-0' }))[0]!.outcome).to.equal('saved');
  });

  it('does an act that is sent twice in one request once', async () => {
    const { act } = holding();
    const one = { id: randomUUID(), base: 1, act: depth(240) };
    const { tried } = await act(JSON.stringify({ client: 'a', known: 1, acts: [one, one] }), {
      revision: 1,
      done: [],
      others: [],
    });
    expect(tried!.outcomes.map((o) => o.outcome === 'saved' && o.revision)).to.deep.equal([2, 2]);
    expect(tried!.count).to.equal(1);
  });

  it('lets others in between the acts of one request that takes long', async () => {
    const { jobs, act } = holding();
    const many = Array.from({ length: 100 }, () => ({
      act: 'chooseLayout',
      key: Math.random() < 2 ? 'bypassAfterRail' : '',
    }));
    const turns: string[] = [];
    const long = act(body(1, ...many), { revision: 1, done: [], others: [] }).then(() => turns.push('long'));
    for (let i = 0; i < 3; i++) {
      await new Promise((resolve) => setImmediate(resolve));
      jobs.open('other', 1, document);
      turns.push('other');
    }
    await long;
    expect(turns).to.deep.equal(['other', 'other', 'other', 'long']);
  });

  it('holds an act against a change that may have touched anything', async () => {
    const { jobs, act } = holding();
    jobs.open('k', 2, document);
    const others = [{ revision: 2, client: 'b' }];
    const { tried } = await act(body(1, depth(250)), { revision: 2, done: [], others });
    expect(tried!.outcomes[0]!.outcome).to.equal('conflict');
  });

  it('refuses what is no request in words: broken, too deep, a revision that never was', async () => {
    const { jobs, act } = holding();
    const stored = { revision: 1, done: [], others: [] };
    const deep = `{"document":${'['.repeat(33)}${']'.repeat(33)}}`;
    for (const refused of [
      () => act('{'),
      () => jobs.create(deep),
      () => act(body(7, depth(250)), stored),
      () => jobs.create('{"name":""}'),
    ]) {
      const error: unknown = await Promise.resolve()
        .then<unknown>(refused)
        .catch((fault: unknown) => fault);
      expect(error).to.be.instanceOf(InvalidError);
      expect((error as InvalidError).message).to.match(/[.]$/);
    }
    const justDeep = `{"document":${'['.repeat(31)}${']'.repeat(31)}}`;
    expect(() => jobs.create(justDeep)).to.throw(InvalidError, /an object is expected/);
  });

  it('says of a stored document that it cannot be read', () => {
    expect(() => new JudgedJobs().open('k', 1, '{"schemaVersion":99}')).to.throw(UnreadableError, /newer than this/);
  });
});
