import { readFileSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { expect } from 'chai';
import { CURRENT_SCHEMA_VERSION } from '@endrel/core/job/schema-version';
import { demoJobs } from '@endrel/core/demo/index';
import { readJobFile } from '@endrel/core/job/read-job-file';
import { ServerUnderTest } from './server-under-test.ts';

describe('the API', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());
  const create = async (document: unknown = demoJobs.mailVan) =>
    (await server.call('POST', '/api/jobs', { document })).body;

  it('makes a blank job, and says so in its list with what to measure next', async () => {
    const made = await server.call('POST', '/api/jobs', { name: 'Boom truck', vehicle: 'yard' });
    expect(made.status).to.equal(201);
    expect(made.body).to.include({ revision: 1 });
    const listed = async () =>
      (await server.call('GET', '/api/jobs')).body.jobs.find((j: { id: string }) => j.id === made.body.id);
    let row = await listed();
    for (let i = 0; i < 300 && !row.facts; i++) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      row = await listed();
    }
    expect(row).to.include({ name: 'Boom truck', isAway: false });
    expect(row.facts).to.include({ nextNeed: 'fuel enters by' });
  });

  it('refuses hostile bodies with a sentence each: prototype keys, 50 MB, broken JSON, wrong shape', async () => {
    const tries: [unknown, number][] = [
      ['{"document": {"schemaVersion": 2, "__proto__": {"polluted": 1}}}', 400],
      [`{"document": "${'x'.repeat(50 * 1024 * 1024)}"}`, 413],
      ['{"document": ', 400],
      [`{"document": ${'['.repeat(100_000)}${']'.repeat(100_000)}}`, 400],
      [{ name: '' }, 400],
      [[], 400],
    ];
    for (const [body, status] of tries) {
      const refused = await server.call('POST', '/api/jobs', body);
      expect(refused.status).to.equal(status);
      expect(refused.body.message).to.match(/[.]$/);
    }
    expect(({} as Record<string, unknown>).polluted).to.equal(undefined);
  });

  it('brings in an older file and stores it at the current version', async () => {
    const old = readFileSync(new URL('../../core/test/version-2/mailVan.json', import.meta.url), 'utf8');
    const made = await create(JSON.parse(old));
    const read = readJobFile(old);
    expect(made.document).to.deep.equal(read.ok && JSON.parse(JSON.stringify(read.value.job)));
    expect(made.document.schemaVersion).to.equal(CURRENT_SCHEMA_VERSION);
  });

  it('answers 404 for a job that is not there, or an address that is none', async () => {
    for (const path of [
      '/api/jobs/7b0c4a52-0000-4000-8000-000000000000',
      '/api/jobs/1;drop table jobs',
      '/api/nothing',
    ])
      expect((await server.call('GET', path)).status).to.equal(404);
  });

  it('keeps its table of changes append-only, whoever asks', async () => {
    for (const statement of ['update job_changes set summary = ?', 'delete from job_changes where summary <> ?']) {
      const outcome = await server.database.raw(statement, ['x']).then(
        () => 'allowed',
        (e: Error) => e.message,
      );
      expect(outcome).to.match(/append-only/);
    }
  });

  it('sends security headers and names no software', async () => {
    const { headers } = await server.call('GET', '/api/health');
    expect(headers.get('content-security-policy')).to.match(/default-src 'self'/);
    expect(headers.get('x-content-type-options')).to.equal('nosniff');
    expect(headers.get('x-powered-by')).to.equal(null);
  });

  it('answers only to its loopback name, so that a foreign domain pointed here reads nothing', async () => {
    const status = await new Promise((resolve, reject) => {
      const url = new URL(server.address);
      httpRequest({ host: url.hostname, port: url.port, path: '/api/jobs', headers: { Host: 'evil.example' } }, (res) =>
        resolve(res.statusCode),
      )
        .on('error', reject)
        .end();
    });
    expect(status).to.equal(421);
  });
});

describe('the first start with demo data', () => {
  it('loads the invented workshop once', async () => {
    const server = await ServerUnderTest.start({ demo: true });
    try {
      const { body } = await server.call('GET', '/api/jobs');
      expect(body.jobs.map((j: { name: string }) => j.name)).to.have.members(
        Object.values(demoJobs).map((j) => j.name),
      );
      expect((await server.call('GET', '/api/shop')).body.name).to.equal('Skerry Islands Transport, conversion bench');
    } finally {
      await server.stop();
    }
  });
});
