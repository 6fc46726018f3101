import { request as httpRequest } from 'node:http';
import { expect } from 'chai';
import { applyPatch } from 'rfc6902';
import { demoJobs } from '@endrel/core/demo/index';
import type { Act } from '@endrel/core/job/acts/act';
import { applyAct } from '@endrel/core/job/acts/apply-act';
import { resampled, ruledMesh } from '@endrel/core/tanks/extrude';
import { packMesh } from '@endrel/core/tanks/packed-mesh';
import { roundedRectangle } from '@endrel/core/tanks/section-polygon';
import { ServerUnderTest } from './server-under-test.ts';

const depth = (mm: number): Act => ({
  act: 'set',
  path: ['survey', 'tank', 'depth'],
  value: { si: mm / 1000, unit: 'mm' },
});

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
    const list = await server.call('GET', '/api/jobs');
    const row = list.body.find((j: { id: string }) => j.id === made.body.id);
    expect(row).to.include({ name: 'Boom truck', nextNeed: 'fuel enters by' });
  });

  it('saves on the revision it was read at, and keeps what changed as JSON Patch (RFC 6902)', async () => {
    const job = await create();
    const next = applyAct(job.document, depth(240));
    const saved = await server.call('PUT', `/api/jobs/${job.id}`, {
      baseRevision: 1,
      document: next,
      summary: 'set tank depth',
    });
    expect(saved.status).to.equal(200);
    expect(saved.body.revision).to.equal(2);
    const { body: changes } = await server.call('GET', `/api/jobs/${job.id}/changes`);
    expect(changes.map((c: { revision: number }) => c.revision)).to.deep.equal([2, 1]);
    expect(changes[0]).to.include({ actor: 'the bench', summary: 'set tank depth' });
    // the patches replay to the stored document
    const replay = { root: null };
    for (const change of [...changes].reverse()) {
      const failures = applyPatch(
        replay,
        change.patch.map((op: { path: string }) => ({ ...op, path: `/root${op.path}` })),
      );
      expect(failures.filter((f) => f !== null)).to.deep.equal([]);
    }
    expect(replay.root).to.deep.equal(next);
  });

  it('stores a tank’s mesh of tens of thousands of triangles with its job', async () => {
    const stations = Array.from({ length: 220 }, (_, i) => ({
      x: i * 0.003,
      points: resampled(roundedRectangle(0.4 + 0.05 * Math.sin(i / 30), 0.25, 0.05)),
    }));
    const mesh = packMesh(ruledMesh(stations), 'cell.stl', false);
    expect(mesh.triangles).to.be.greaterThan(40_000);
    const job = await create();
    const next = applyAct(job.document, { act: 'set', path: ['survey', 'tank', 'mesh'], value: mesh });
    const saved = await server.call('PUT', `/api/jobs/${job.id}`, { baseRevision: 1, document: next, summary: 'mesh' });
    expect(saved.status).to.equal(200);
    const read = await server.call('GET', `/api/jobs/${job.id}`);
    expect(read.body.document.survey.tank.mesh).to.deep.equal(mesh);
    // a damaged one is refused by its field
    const broken = applyAct(job.document, {
      act: 'set',
      path: ['survey', 'tank', 'mesh'],
      value: { ...mesh, faces: '***' },
    });
    const refused = await server.call('PUT', `/api/jobs/${job.id}`, {
      baseRevision: 2,
      document: broken,
      summary: 'mesh',
    });
    expect(refused.status).to.equal(400);
    expect(JSON.stringify(refused.body)).to.include('survey.tank.mesh.faces');
  });

  it('refuses a stale save with 409, shows what is stored, and overwrites nothing', async () => {
    const job = await create();
    const [first, second] = [applyAct(job.document, depth(240)), applyAct(job.document, depth(250))];
    await server.call('PUT', `/api/jobs/${job.id}`, { baseRevision: 1, document: first, summary: '' });
    const stale = await server.call('PUT', `/api/jobs/${job.id}`, { baseRevision: 1, document: second, summary: '' });
    expect(stale.status).to.equal(409);
    expect(stale.body.code).to.equal('stale');
    expect(stale.body.current.document).to.deep.equal(first);
    expect((await server.call('GET', `/api/jobs/${job.id}`)).body.document).to.deep.equal(first);
  });

  it('lets exactly one of two simultaneous saves through', async () => {
    const job = await create();
    const saves = await Promise.all(
      [241, 242, 243, 244].map((mm) =>
        server.call('PUT', `/api/jobs/${job.id}`, {
          baseRevision: 1,
          document: applyAct(job.document, depth(mm)),
          summary: '',
        }),
      ),
    );
    expect(saves.map((s) => s.status).sort()).to.deep.equal([200, 409, 409, 409]);
  });

  it('writes no revision when nothing changed', async () => {
    const job = await create();
    const saved = await server.call('PUT', `/api/jobs/${job.id}`, {
      baseRevision: 1,
      document: job.document,
      summary: '',
    });
    expect(saved.body.revision).to.equal(1);
  });

  it('refuses a document that breaks the schema, names the field, and saves none of it', async () => {
    const job = await create();
    const broken = structuredClone(job.document);
    broken.name = 'half saved';
    broken.survey.tank.depth.si = -1;
    const refused = await server.call('PUT', `/api/jobs/${job.id}`, { baseRevision: 1, document: broken, summary: '' });
    expect(refused.status).to.equal(400);
    expect(refused.body.issues).to.deep.equal([
      { field: 'survey.tank.depth.si', message: 'a tank depth cannot be negative' },
    ]);
    expect((await server.call('GET', `/api/jobs/${job.id}`)).body.document.name).to.equal(demoJobs.mailVan.name);
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
    const { overrules: _none, ...rest } = demoJobs.mailVan;
    const { ethanol: _share, ...brief } = rest.brief;
    const made = await create({ ...rest, schemaVersion: 1, brief: { ...brief, ethanolPercent: 10 } });
    expect(made.document).to.deep.equal(demoJobs.mailVan);
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
      expect(body.map((j: { name: string }) => j.name)).to.have.members(Object.values(demoJobs).map((j) => j.name));
      expect((await server.call('GET', '/api/shop')).body.name).to.equal('Skerry Islands Transport, conversion bench');
    } finally {
      await server.stop();
    }
  });
});
