import { randomUUID } from 'node:crypto';
import { monitorEventLoopDelay, performance } from 'node:perf_hooks';
import { expect } from 'chai';
import type { ActOutcome } from '@endrel/core/contract/api';
import { demoJobs } from '@endrel/core/demo/index';
import type { Act } from '@endrel/core/acts/act';
import { tryAct } from '@endrel/core/acts/apply-act';
import { restoring } from '@endrel/core/acts/touched';
import type { Job } from '@endrel/core/job/job';
import { ServerUnderTest } from './server-under-test.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const depth = (value: number): Act => ({ act: 'set', path: ['survey', 'tank', 'depth'], value: mm(value) });
const outlet = (value: number): Act => ({ act: 'set', path: ['survey', 'tank', 'outletHeight'], value: mm(value) });
const check = (id: string): Act => ({ act: 'addPart', part: { kind: 'checkValve', id } });

describe('acts over the API', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());
  const create = async (document: unknown = demoJobs.mailVan) =>
    (await server.call('POST', '/api/jobs', { document })).body as { id: string; document: Job };
  const send = (job: string, client: string, base: number, ...acts: unknown[]) =>
    server.call('POST', `/api/jobs/${job}/acts`, {
      client,
      known: base,
      acts: acts.map((act) => ({ id: randomUUID(), base, act })),
    });
  const read = async (job: string) => (await server.call('GET', `/api/jobs/${job}`)).body;
  const outcomes = (body: { outcomes: ActOutcome[] }) => body.outcomes.map((o) => o.outcome);

  it('are applied in order, each a revision of its own, and kept as they were sent', async () => {
    const { id } = await create();
    const saved = await send(id, 'a', 1, depth(240), outlet(30));
    expect(saved.status).to.equal(200);
    expect(saved.body).to.include({ revision: 3 });
    expect(saved.body.since.map((k: { revision: number }) => k.revision)).to.deep.equal([2, 3]);
    expect(saved.body.since[0], 'what the page sent is not sent back').to.not.have.property('act');
    const { body: later } = await server.call('GET', `/api/jobs/${id}/acts?since=1`);
    expect(later.since.map((k: { act: Act }) => k.act)).to.deep.equal([depth(240), outlet(30)]);
    expect((await read(id)).document.survey.tank).to.deep.include({ depth: mm(240), outletHeight: mm(30) });
    const { body: changes } = await server.call('GET', `/api/jobs/${id}/changes`);
    expect(changes.changes.map((c: { revision: number }) => c.revision)).to.deep.equal([3, 2, 1]);
    expect(changes.changes[0]).to.include({ actor: 'the bench', summary: 'set outlet height', fields: 1 });
  });

  it('of a strapping table of 400 rows, a job of 1.9 MB or the largest mesh do not hold up other answers', async () => {
    const { id } = await create();
    const rows = Array.from({ length: 400 }, (_, i) => ({
      level: mm(i + 1),
      volume: { si: (i + 1) / 1e4, unit: 'L' },
    }));
    const tables = Array.from({ length: 6 }, (_, t) => ({
      voltage: { si: 9 + t, unit: 'V' },
      rows: Array.from({ length: 40 }, (__, r) => ({
        pressure: { si: r * 1e4, unit: 'kPa' },
        flow: { si: (200 - r) / 3.6e6, unit: 'L/h' },
      })),
    }));
    const parts = Object.fromEntries(
      Array.from({ length: 80 }, (_, i) => [`more-${i}`, { kind: 'pump', id: `more-${i}`, tables }]),
    );
    const large = JSON.stringify({ document: { ...demoJobs.mailVan, parts: { ...demoJobs.mailVan.parts, ...parts } } });
    expect(large.length).to.be.within(1.2e6, 2e6);
    const loop = monitorEventLoopDelay({ resolution: 5 });
    loop.enable();
    const saved = await send(id, 'a', 1, { act: 'set', path: ['survey', 'tank', 'strapping'], value: rows });
    expect(saved.body.outcomes[0].outcome).to.equal('saved');
    const made = await fetch(`${server.address}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: large,
    });
    expect(made.status).to.equal(201);
    await made.arrayBuffer();
    loop.disable();
    // 20 ms on an idle machine, as npm run bench measures; it was 12.9 s, and this test asks and answers in one process
    expect(loop.max / 1e6, 'ms that the event loop stood still').to.be.below(3000);
  });

  it('sent twice are done once', async () => {
    const { id } = await create();
    const request = { client: 'a', known: 1, acts: [{ id: randomUUID(), base: 1, act: depth(240) }] };
    const answers = await Promise.all([1, 2, 3].map(() => server.call('POST', `/api/jobs/${id}/acts`, request)));
    for (const { body } of answers) expect(body.outcomes[0]).to.include({ outcome: 'saved', revision: 2 });
    expect((await read(id)).revision).to.equal(2);
  });

  it('of two pages join where they touch different fields, and each hears of the other’s', async () => {
    const { id } = await create();
    await send(id, 'a', 1, depth(240));
    const late = await send(id, 'b', 1, outlet(30), check('valve-9'));
    expect(outcomes(late.body)).to.deep.equal(['saved', 'saved']);
    expect(late.body.since.map((k: { client: string }) => k.client)).to.deep.equal(['a', 'b', 'b']);
    const { document } = await read(id);
    expect(document.survey.tank).to.deep.include({ depth: mm(240), outletHeight: mm(30) });
    expect(document.parts['valve-9'].kind).to.equal('checkValve');
    const { body } = await server.call('GET', `/api/jobs/${id}/acts?since=2`);
    expect(body.since).to.have.length(2);
  });

  it('are sent again only as far as one answer holds: beyond it the page reads the job anew', async () => {
    const { id } = await create();
    const notes = (count: number, text: () => string) =>
      Array.from({ length: count }, () => ({ act: 'set', path: ['survey', 'notes'], value: text() }));
    let revision = 1;
    for (let i = 0; i < 5; i++) revision = (await send(id, 'a', revision, ...notes(100, randomUUID))).body.revision;
    const since = async (known: number) => (await server.call('GET', `/api/jobs/${id}/acts?since=${known}`)).body.since;
    expect(await since(1)).to.have.length(500);
    revision = (await send(id, 'a', revision, ...notes(1, randomUUID))).body.revision;
    expect(await since(1), '501 acts').to.equal(undefined);
    expect(await since(2)).to.have.length(500);
    // random text does not pack: some 4 kB each
    const long = () =>
      Array.from({ length: 111 }, () => randomUUID())
        .join('')
        .slice(0, 3990);
    const before = revision;
    for (let i = 0; i < 2; i++) revision = (await send(id, 'a', revision, ...notes(70, long))).body.revision;
    expect(await since(before), 'over 500 kB').to.equal(undefined);
    expect(await since(before + 70), 'under 300 kB').to.have.length(70);
  });

  it('ask where both touched one field: nothing is overwritten, nor is anything behind it tried', async () => {
    const { id } = await create();
    await send(id, 'a', 1, depth(240));
    const late = await send(id, 'b', 1, depth(250), outlet(30));
    expect(late.body.outcomes).to.have.length(1);
    expect(late.body.outcomes[0]).to.deep.include({ outcome: 'conflict', fields: ['tank depth'] });
    expect((await read(id)).document.survey.tank.depth).to.deep.equal(mm(240));
    // decided: sent again on what is there now
    expect(outcomes((await send(id, 'b', 2, depth(250))).body)).to.deep.equal(['saved']);
  });

  it('of one page never meet each other, and putting a part in meets no edit of another', async () => {
    const { id } = await create();
    expect(outcomes((await send(id, 'a', 1, depth(240))).body)).to.deep.equal(['saved']);
    expect(outcomes((await send(id, 'a', 1, depth(250))).body)).to.deep.equal(['saved']);
    await send(id, 'a', 3, { act: 'setOnPart', id: 'hose-1', key: 'length', value: mm(300) });
    expect(outcomes((await send(id, 'b', 3, check('valve-8'))).body)).to.deep.equal(['saved']);
  });

  it('that cannot be done are refused by their field, those before them are kept', async () => {
    const { id } = await create();
    const mixed = await send(
      id,
      'a',
      1,
      depth(240),
      { act: 'setOnPart', id: 'hose-1', key: 'length', value: 'long' },
      outlet(1),
    );
    expect(outcomes(mixed.body)).to.deep.equal(['saved', 'refused']);
    expect(mixed.body.outcomes[1].field).to.match(/^parts[.]hose-1[.]length/);
    expect((await read(id)).document.survey.tank).to.deep.include({ depth: mm(240) });
    for (const bad of [
      { act: 'paint' },
      { act: 'set', path: ['survey', 'colour'], value: 1 },
      { act: 'takeOut', id: 'x' },
      null,
      7,
    ]) {
      const { status, body } = await send(id, 'a', 2, bad);
      expect(status).to.equal(200);
      expect(outcomes(body)).to.deep.equal(['refused']);
      expect(body.outcomes[0].message).to.be.a('string').and.not.equal('');
    }
    expect((await read(id)).revision).to.equal(2);
  });

  it('on a revision that never was, 101 at once, or a hundred thousand, are refused in words', async () => {
    const { id } = await create();
    const early = await send(id, 'a', 9, depth(240));
    expect(early.status).to.equal(400);
    expect(early.body.message).to.match(/no revision 9 of this job: the last is 1/);
    for (const [count, status] of [
      [101, 400],
      [100_000, 413],
    ] as const) {
      const many = await send(id, 'a', 1, ...Array<Act>(count).fill(depth(240)));
      expect(many.status).to.equal(status);
      expect(many.body.message).to.match(/[.]$/);
    }
    expect((await read(id)).revision).to.equal(1);
  });

  it('undo by a restore, which never undoes what somebody else did since', async () => {
    const { id } = await create();
    const before: Job = (await read(id)).document;
    const after = tryAct(before, depth(240));
    const undo = restoring(before, after.ok ? after.value : before, 'undo set tank depth')!;
    await send(id, 'a', 1, depth(240));
    await send(id, 'b', 2, outlet(30));
    expect(outcomes((await send(id, 'a', 2, undo)).body)).to.deep.equal(['saved']);
    expect((await read(id)).document.survey.tank).to.deep.include({
      depth: before.survey.tank.depth,
      outletHeight: mm(30),
    });
    await send(id, 'b', 4, depth(260));
    const late = await send(id, 'a', 5, undo);
    expect(late.body.outcomes[0].message).to.match(/changed since/);
    expect((await read(id)).document.survey.tank.depth).to.deep.equal(mm(260));
  });

  it('of many pages at once all land, each once', async () => {
    const { id } = await create();
    const pages = Array.from({ length: 8 }, (_, i) => `page-${i}`);
    await Promise.all(pages.map((page, i) => send(id, page, 1, check(`valve-${i + 10}`))));
    const { revision, document } = await read(id);
    expect(revision).to.equal(9);
    for (const i of pages.keys()) expect(document.parts).to.have.property(`valve-${i + 10}`);
  });

  it('of 40 clients that lay 40 different things on an empty bench at once meet nowhere', async () => {
    const { id } = await create();
    const answers = await Promise.all(
      Array.from({ length: 40 }, (_, i) =>
        send(id, `page-${i}`, 1, {
          act: 'set',
          path: ['bench', `thing-${i}`],
          value: { name: `Thing ${i}`, count: 1 },
        }),
      ),
    );
    expect(answers.map((a) => a.status)).to.deep.equal(Array(40).fill(200));
    expect(answers.flatMap((a) => outcomes(a.body)).filter((o) => o !== 'saved')).to.deep.equal([]);
    const { revision, document } = await read(id);
    expect(revision).to.equal(41);
    expect(Object.keys(document.bench)).to.have.members(Array.from({ length: 40 }, (_, i) => `thing-${i}`));
  });

  it('that are sent twice in one request are done once', async () => {
    const { id } = await create();
    const one = { id: randomUUID(), base: 1, act: depth(240) };
    const { status, body } = await server.call('POST', `/api/jobs/${id}/acts`, {
      client: 'a',
      known: 1,
      acts: [one, one],
    });
    expect([status, body.outcomes.map((o: { revision: number }) => o.revision)]).to.deep.equal([200, [2, 2]]);
    expect((await read(id)).revision).to.equal(2);
  });

  it('that take seconds let those of others through', async () => {
    const { id } = await create();
    const mesh = await create(); // a job that is heavy to judge: each act lays the whole run out anew
    const heavy = Array.from({ length: 100 }, (_, i) => ({
      act: 'chooseLayout',
      key: i % 2 ? 'bypassAfterRail' : 'bypassAtTank',
    }));
    const began = performance.now();
    const long = send(mesh.id, 'a', 1, ...heavy).then(() => (isDone = true));
    let isDone = false;
    const waits: number[] = [];
    for (let i = 0; !isDone && i < 200; i++) {
      const start = performance.now();
      await send(id, 'b', i + 1, depth(200 + i));
      waits.push(performance.now() - start);
    }
    await long;
    const whole = performance.now() - began;
    waits.sort((a, b) => a - b);
    expect(waits.length, 'saves while it went on').to.be.above(3);
    // ms are for npm run bench; one that had to wait its turn would wait for the whole of it
    expect(waits.at(-1)!).to.be.below(whole / 2);
  });

  it('tell other pages without being asked, through another server on the same database too', async () => {
    const { id } = await create();
    const other = await server.second();
    const told: ({ job: string; revision?: number } | 'look')[] = [];
    const abort = new AbortController();
    const follow = async (address: string) => {
      const answer = await fetch(`${address}/api/feed`, { signal: abort.signal });
      const decoder = new TextDecoder();
      for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>)
        for (const [, json] of decoder.decode(chunk).matchAll(/^data: (.*)$/gm))
          told.push(JSON.parse(json!) as (typeof told)[number]);
    };
    const following = [server.address, other.address].map((a) => follow(a).catch(() => undefined));
    try {
      await until(() => told.length === 2);
      await send(id, 'a', 1, depth(240));
      await until(
        () => told.filter((heard) => heard !== 'look' && heard.job === id && heard.revision === 2).length === 2,
      );
      expect((await other.call('GET', `/api/jobs/${id}`)).body.revision).to.equal(2);
    } finally {
      abort.abort();
      await Promise.all(following);
      await other.stop();
    }
  });
});

async function until(isSo: () => boolean): Promise<void> {
  for (let i = 0; i < 2000 && !isSo(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  if (!isSo()) throw new Error('it did not come about');
}
