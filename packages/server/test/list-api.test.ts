import { randomUUID } from 'node:crypto';
import { expect } from 'chai';
import { CHANGES_PAGE, LIST_PAGE, type JobList } from '@endrel/core/contract/api';
import { demoJobs } from '@endrel/core/demo/index';
import { blankJob } from '@endrel/core/job/job';
import { ServerUnderTest } from './server-under-test.ts';

const page = async (server: ServerUnderTest, query: Record<string, string> = {}): Promise<JobList> =>
  (await server.call('GET', `/api/jobs?${new URLSearchParams(query).toString()}`)).body;
const names = ({ jobs }: JobList) => jobs.map((j) => j.name);

const JOBS = 2 * LIST_PAGE + 7;

describe('a list of many jobs', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
    const [shop] = await server.database('shops').select('id');
    const names = Array.from({ length: JOBS }, (_, i) => (i === 30 ? '100 % Émail_van' : `Van ${i}`));
    await server.database('jobs').insert(
      names.map((name, i) => ({
        shop_id: shop.id,
        revision: 1,
        document: JSON.stringify(blankJob(name, i % 2 ? 'Harbour yard' : 'Field')),
        // many were saved in the same moment
        saved_at: new Date(Date.UTC(2026, 0, 1 + Math.floor(i / 40))),
      })),
    );
  });
  after(() => server.stop());
  const find = (query: Record<string, string> = {}) => page(server, query);
  async function pages(query: Record<string, string> = {}): Promise<JobList[]> {
    const all = [await find(query)];
    for (let after = all[0]!.after; after !== undefined; after = all.at(-1)!.after)
      all.push(await find({ ...query, after }));
    return all;
  }

  it('comes in pages, the last saved first, each job once', async () => {
    const all = await pages();
    expect(all.map((p) => p.jobs.length)).to.deep.equal([LIST_PAGE, LIST_PAGE, 7]);
    expect(new Set(all.flatMap(names)).size).to.equal(JOBS);
    const saved = all.flatMap((p) => p.jobs.map((j) => j.savedAt));
    expect(saved).to.deep.equal([...saved].sort().reverse());
    expect(all.every((p) => p.atHand === JOBS && p.away === 0)).to.equal(true);
  });
  it('finds every word in name or vehicle, however written, and takes no character for a wildcard', async () => {
    expect(names(await find({ find: 'émail FIELD' }))).to.deep.equal(['100 % Émail_van']);
    expect(names(await find({ find: '%' }))).to.deep.equal(['100 % Émail_van']);
    expect(names(await find({ find: 'l_v' }))).to.deep.equal(['100 % Émail_van']);
    expect(names(await find({ find: 'n_3' }))).to.deep.equal([]);
    expect(names(await find({ find: "';drop table jobs;--" }))).to.deep.equal([]);
    expect((await pages({ find: 'van harbour' })).flatMap(names)).to.have.length(Math.floor(JOBS / 2));
  });
  it('shows apart what is put away', async () => {
    const { jobs } = await find({ find: 'Van 7' });
    const { id } = jobs.find((j) => j.name === 'Van 7')!;
    await server.call('PUT', `/api/jobs/${id}/away`, { away: true });
    const away = await find({ away: 'true' });
    expect([names(away), away.atHand, away.away]).to.deep.equal([['Van 7'], JOBS - 1, 1]);
    expect((await pages()).flatMap(names)).to.not.include('Van 7');
    await server.call('PUT', `/api/jobs/${id}/away`, { away: false });
  });
  it('refuses a place that is none, and what it does not know, in words', async () => {
    const id = '0b8f9f2e-7d52-4c6e-9f57-1d0f6f6f2a11';
    for (const query of [
      'after=x',
      `after=2026-01-01T00:00:00.000000_${'-'.repeat(36)}`,
      `after=2026-02-30T00:00:00.000000_${id}`,
      `after=2026-99-01T00:00:00.000000_${id}`,
      'away=perhaps',
      'order=name',
      `find=${'x'.repeat(201)}`,
      'find=a&find=b',
    ]) {
      const { status, body } = await server.call('GET', `/api/jobs?${query}`);
      expect([status, body.code], query).to.deep.equal([400, 'invalid']);
    }
  });
});

describe('a row that cannot be read', () => {
  let server: ServerUnderTest;
  const rows: Record<string, { document: string; summary?: string }> = {
    'an array': { document: '[1, 2]' },
    'a text': { document: '"job"' },
    null: { document: 'null' },
    'an object of something else': { document: '{"name": {"first": "x"}, "schemaVersion": "three"}' },
    'a name of a megabyte': { document: JSON.stringify({ schemaVersion: 3, name: 'x'.repeat(2 ** 20) }) },
    'a name with a vertical tab': { document: JSON.stringify({ ...blankJob('a\u000bb') }) },
    'brackets, 5000 deep': { document: '['.repeat(5000) + ']'.repeat(5000) },
    'a newer version': { document: '{"schemaVersion": 99, "name": "From the future"}' },
    'a summary that is an array': { document: '[]', summary: '[]' },
    'a summary that is empty': { document: '[]', summary: '{}' },
    'a summary that is a text': { document: '[]', summary: '"x"' },
    'a good job with a broken summary': { document: JSON.stringify(blankJob('Sound')), summary: '"x"' },
  };
  const ids: Record<string, string> = {};
  before(async () => {
    server = await ServerUnderTest.start();
    const [shop] = await server.database('shops').select('id');
    for (const [what, { document, summary }] of Object.entries(rows))
      ids[what] = (
        await server
          .database('jobs')
          .insert({ shop_id: shop.id, revision: 1, document, summary, summary_revision: summary ? 1 : null })
          .returning('id')
      )[0].id;
  });
  after(() => server.stop());

  it('shows as such, fails nothing else, and can be had as it is stored, put away and deleted', async () => {
    let jobs: JobList['jobs'] = [];
    for (let i = 0; i < 60; i++) {
      const answer = await server.call('GET', '/api/jobs');
      expect(answer.status).to.equal(200);
      expect(JSON.stringify(answer.body).length, 'a bounded answer').to.be.below(50_000);
      jobs = answer.body.jobs;
      if (jobs.every((j) => !j.isBehind)) break;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    expect(jobs).to.have.length(Object.keys(rows).length);
    for (const [what, { document }] of Object.entries(rows)) {
      const row = jobs.find((j) => j.id === ids[what])!;
      if (what.startsWith('a good job')) {
        expect([row.name, row.unreadable, row.facts?.needs !== undefined]).to.deep.equal(['Sound', undefined, true]);
        continue;
      }
      expect(row.unreadable, what).to.be.a('string');
      expect((await server.call('GET', `/api/jobs/${ids[what]}`)).status, what).to.be.within(422, 500);
      const stored = await fetch(`${server.address}/api/jobs/${ids[what]}/stored`);
      const { rows: kept } = await server.database.raw('select ?::jsonb::text as text', [document]);
      expect((await stored.text()) === kept[0].text, what).to.equal(true);
      expect(stored.headers.get('content-disposition')).to.include('attachment');
      expect((await server.call('PUT', `/api/jobs/${ids[what]}/away`, { away: true })).status).to.equal(200);
      expect((await server.call('DELETE', `/api/jobs/${ids[what]}`)).status).to.equal(200);
    }
    expect(names(await page(server))).to.deep.equal(['Sound']);
  });
});

describe('a job that an older Endrel let an act spoil', () => {
  const { mailVan } = demoJobs;
  const restore = (path: string[], value: unknown, was?: unknown) => ({
    act: 'restore',
    title: 'x',
    records: [{ path, value, ...(was === undefined ? {} : { was }) }],
  });
  const at = '2026-01-02T03:04:05Z';
  const spoilt: Record<string, [object, Record<string, unknown>]> = {
    'its version set': [restore(['schemaVersion'], 99, mailVan.schemaVersion), { ...mailVan, schemaVersion: 99 }],
    'a root that is none': [restore(['anything'], 3), { ...mailVan, anything: 3 }],
    'an overrule of “constructor”': [
      { act: 'overruleSnag', snag: 'constructor', reason: 'it is so', at },
      { ...mailVan, overrules: { constructor: { reason: 'it is so', at } } },
    ],
    'a part called “constructor”': [
      { act: 'addPart', part: { kind: 'hose', id: 'constructor' } },
      { ...mailVan, parts: { ...mailVan.parts, constructor: { kind: 'hose', id: 'constructor' } } },
    ],
    'a port called “constructor”': [
      { act: 'setPort', part: 'tank-1', port: 'constructor', state: { closed: 'capped' } },
      {
        ...mailVan,
        parts: {
          ...mailVan.parts,
          'tank-1': {
            ...mailVan.parts['tank-1'],
            ports: { ...mailVan.parts['tank-1']!.ports, constructor: { closed: 'capped' } },
          },
        },
      },
    ],
  };
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());

  for (const isKept of [true, false])
    for (const [what, [act, document]] of Object.entries(spoilt))
      it(`${what}: is put back to the revision before, ${isKept ? 'by what was kept of it' : 'by taking that act back'}`, async () => {
        const { body: job } = await server.call('POST', '/api/jobs', { document: mailVan });
        const [row] = await server.database('jobs').where({ id: job.id }).select('shop_id');
        const depth = { act: 'set', path: ['survey', 'tank', 'depth'], value: { si: 0.24, unit: 'mm' } };
        const own = { client: 'a', known: 1, acts: [{ id: randomUUID(), base: 1, act: depth }] };
        expect((await server.call('POST', `/api/jobs/${job.id}/acts`, own)).body.revision).to.equal(2);
        const deeper = { ...mailVan.survey, tank: { ...mailVan.survey.tank, depth: depth.value } };
        await server.database('job_changes').insert({
          shop_id: row.shop_id,
          job_id: job.id,
          revision: 3,
          actor: 'the bench',
          summary: 'x',
          act,
          act_id: randomUUID(),
          client: 'a',
          fields: '[]',
        });
        await server
          .database('jobs')
          .where({ id: job.id })
          .update({ revision: 3, document: JSON.stringify({ ...document, survey: deeper }) });
        if (!isKept) await server.database('readable_jobs').where({ job_id: job.id }).delete();
        expect((await server.call('GET', `/api/jobs/${job.id}`)).status).to.equal(422);
        const back = await server.call('POST', `/api/jobs/${job.id}/put-back`);
        expect([back.status, back.body]).to.deep.equal([200, { revision: 4, isAsOf: 2 }]);
        const again = await server.call('GET', `/api/jobs/${job.id}`);
        expect(again.body.document).to.deep.equal({ ...mailVan, survey: deeper });
        const { body: history } = await server.call('GET', `/api/jobs/${job.id}/changes`);
        expect(history.changes[0].summary).to.include('put back to revision 2');
        expect((await server.call('POST', `/api/jobs/${job.id}/put-back`)).status, 'only what cannot be read').to.equal(
          409,
        );
      });
});

describe('what is asked again', () => {
  it('makes no second job, and a long history comes in pages, each change once', async () => {
    const server = await ServerUnderTest.start();
    try {
      const id = randomUUID();
      const made = await Promise.all(
        [1, 2, 3].map(() => server.call('POST', '/api/jobs', { id, name: 'Asked thrice' })),
      );
      expect(made.map((m) => [m.status, m.body.id, m.body.revision])).to.deep.equal(Array(3).fill([201, id, 1]));
      expect((await page(server)).atHand).to.equal(1);

      const changes = 3 * CHANGES_PAGE + 5;
      await server.database('job_changes').insert(
        Array.from({ length: changes - 1 }, (_, i) => ({
          shop_id: null,
          job_id: id,
          revision: i + 2,
          actor: 'a',
          summary: 'x'.repeat(9000),
          patch: '[]',
        })).map((row) => ({ ...row, shop_id: server.database('shops').select('id').first() })),
      );
      const seen: number[] = [];
      let pages = 0;
      for (let before: number | undefined; pages < 10;) {
        const { body } = await server.call(
          'GET',
          `/api/jobs/${id}/changes${before === undefined ? '' : `?before=${before}`}`,
        );
        expect(JSON.stringify(body).length).to.be.below(30_000);
        seen.push(...body.changes.map((c: { revision: number }) => c.revision));
        pages++;
        if ((before = body.before) === undefined) break;
      }
      expect(pages).to.equal(4);
      expect(seen).to.deep.equal(Array.from({ length: changes }, (_, i) => changes - i));
    } finally {
      await server.stop();
    }
  });
});
