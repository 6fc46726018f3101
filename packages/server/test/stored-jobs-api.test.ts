import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { CURRENT_SCHEMA_VERSION } from '@endrel/core/job/schema-version';
import { attachMesh } from '@endrel/core/attachments/tank-mesh';
import { demoJobs } from '@endrel/core/demo/index';
import { readJobFile } from '@endrel/core/job/read-job-file';
import { ruledMesh } from '@endrel/core/tanks/extrude';
import { packMesh } from '@endrel/core/meshes/packed-mesh';
import { roundedRectangle } from '@endrel/core/tanks/section-polygon';
import { ServerUnderTest } from './server-under-test.ts';

describe('what is stored of old and in the list', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());
  /** The list once what is shown of every job has been reckoned. */
  const list = async (away = false): Promise<any[]> => {
    for (let i = 0; ; i++) {
      const rows = (await server.call('GET', `/api/jobs?away=${away}`)).body.jobs as any[];
      if (i > 300 || rows.every((r) => r.facts ?? r.unreadable)) return rows;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  };

  it('a row of version 2 opens upgraded, takes acts, and is listed; one that cannot be read fails nothing else', async () => {
    const old = readFileSync(new URL('../../core/test/version-2/rescuePickup.json', import.meta.url), 'utf8');
    const [shop] = await server.database('shops').select('id');
    const insert = async (document: string) =>
      (await server.database('jobs').insert({ shop_id: shop.id, revision: 4, document }).returning('id'))[0]
        .id as string;
    const [id, bad] = [await insert(old), await insert('{"schemaVersion": 2, "name": "Half a job"}')];
    const upgraded = readJobFile(old);
    const { body } = await server.call('GET', `/api/jobs/${id}`);
    expect(body.document).to.deep.equal(upgraded.ok && JSON.parse(JSON.stringify(upgraded.value.job)));
    const act = { act: 'takeOut', id: 'hose-1' };
    const done = await server.call('POST', `/api/jobs/${id}/acts`, {
      client: 'a',
      known: 4,
      acts: [{ id: randomUUID(), base: 4, act }],
    });
    expect(done.body).to.include({ revision: 5 });
    const rows = await list();
    expect(rows.find((r) => r.id === id).facts.run.parts.length).to.be.greaterThan(5);
    expect(rows.find((r) => r.id === bad)).to.include({ name: 'Half a job' });
    const { unreadable } = rows.find((r) => r.id === bad);
    expect(unreadable)
      .to.be.a('string')
      .and.not.match(/cannot be read/); // the list says that itself
    const opened = await server.call('GET', `/api/jobs/${bad}`);
    expect(opened.status).to.equal(422);
    expect(opened.body.message).to.equal(
      `What is stored of this job cannot be read: ${unreadable}. It is kept as it is; nothing was changed.`,
    );
  });

  it('a database of the version before is brought along: its jobs open, its history shows, acts go on', async () => {
    for (const _later of ['shop prepared', 'quick compression', 'list in pages', 'acts'])
      await server.database.migrate.down(); // as it was before acts
    const old = readFileSync(new URL('../../core/test/version-2/mailVan.json', import.meta.url), 'utf8');
    const [shop] = await server.database('shops').select('id');
    const [job] = await server
      .database('jobs')
      .insert({ shop_id: shop.id, revision: 2, document: old })
      .returning('id');
    const patch = JSON.stringify([{ op: 'replace', path: '/name', value: 'x' }]);
    await server.database('job_changes').insert(
      [1, 2].map((revision) => ({
        shop_id: shop.id,
        job_id: job.id,
        revision,
        actor: 'a',
        summary: `save ${revision}`,
        patch,
      })),
    );
    await server.database.migrate.latest();
    const { body } = await server.call('GET', `/api/jobs/${job.id}`);
    expect(body.document.schemaVersion).to.equal(CURRENT_SCHEMA_VERSION);
    expect((await server.call('GET', `/api/jobs/${job.id}/changes`)).body.changes).to.have.length(2);
    // what was done before acts is read anew, not replayed
    expect((await server.call('GET', `/api/jobs/${job.id}/acts?since=1`)).body).to.not.have.property('since');
    const act = { act: 'setOnPart', id: 'hose-1', key: 'note', value: 'new' };
    const done = await server.call('POST', `/api/jobs/${job.id}/acts`, {
      client: 'a',
      known: 2,
      acts: [{ id: randomUUID(), base: 2, act }],
    });
    expect(done.body.outcomes[0]).to.include({ outcome: 'saved', revision: 3 });
    const changes = (await server.call('GET', `/api/jobs/${job.id}/changes`)).body.changes;
    expect(changes.map((c: { fields: number }) => c.fields)).to.deep.equal([1, 1, 1]);
  });

  it('its facts are those of the last save, kept with the job', async () => {
    const { body: job } = await server.call('POST', '/api/jobs', { document: demoJobs.mailVan });
    const before = (await list()).find((r) => r.id === job.id).facts;
    const act = { act: 'set', path: ['survey', 'tank', 'depth'] };
    await server.call('POST', `/api/jobs/${job.id}/acts`, {
      client: 'a',
      known: 1,
      acts: [{ id: randomUUID(), base: 1, act }],
    });
    const kept = async () =>
      (await server.database('jobs').where({ id: job.id }).first('summary_revision')).summary_revision;
    while ((await kept()) < 2) await new Promise((resolve) => setTimeout(resolve, 20));
    const after = (await list()).find((r) => r.id === job.id).facts;
    expect([before.needs, after.needs]).to.deep.equal([0, 1]);
    const [row] = await server.database('jobs').where({ id: job.id }).select('summary', 'summary_revision');
    expect(row.summary_revision).to.equal(2);
    expect(row.summary.facts).to.deep.equal(after);
  });

  it('a job is put away and taken out again, and deleted only from away: then nothing of it is left', async () => {
    const { body: job } = await server.call('POST', '/api/jobs', { document: demoJobs.mailVan });
    const away = (on: boolean) => server.call('PUT', `/api/jobs/${job.id}/away`, { away: on });
    const remove = () => server.call('DELETE', `/api/jobs/${job.id}`);
    expect((await remove()).status).to.equal(409);
    await away(true);
    expect((await list(true)).find((r) => r.id === job.id).isAway).to.equal(true);
    await away(false);
    expect((await list()).find((r) => r.id === job.id).isAway).to.equal(false);
    await away(true);
    expect((await remove()).status).to.equal(200);
    expect((await list()).some((r) => r.id === job.id)).to.equal(false);
    for (const path of ['', '/changes', '/acts?since=1'])
      expect((await server.call('GET', `/api/jobs/${job.id}${path}`)).status).to.equal(404);
    expect((await remove()).status).to.equal(404);
    const [gone] = await server.database('jobs').where({ id: job.id }).select('document', 'summary');
    expect(gone).to.deep.equal({ document: {}, summary: null });
    expect((await server.call('GET', '/api/jobs/gone')).body).to.deep.equal([job.id]);
  });

  it('a telephone number typed into the notes, undone and deleted for good is nowhere afterwards, nor the mesh that only that job named', async () => {
    const number = '0555 019 2277';
    const packed = packMesh(
      ruledMesh(Array.from({ length: 8 }, (_, i) => ({ x: i * 0.1, points: roundedRectangle(0.31, 0.25, 0.05) }))),
      'own.stl',
      false,
    );
    const { mesh, text } = attachMesh(packed);
    const { body: job } = await server.call('POST', '/api/jobs', { document: demoJobs.mailVan });
    const { body: other } = await server.call('POST', '/api/jobs', { document: demoJobs.mailVan });
    await server.call('PUT', `/api/attachments/${mesh.digest}`, text);
    const set = (path: string[], value: unknown) => ({ act: 'set', path, value });
    const send = (id: string, known: number, act: unknown) =>
      server.call('POST', `/api/jobs/${id}/acts`, {
        client: 'a',
        known,
        acts: [{ id: randomUUID(), base: known, act }],
      });
    for (const [i, act] of [
      set(['survey', 'notes'], `ring ${number}`),
      set(['survey', 'notes'], undefined),
      set(['survey', 'tank', 'mesh'], mesh),
    ].entries())
      expect((await send(job.id, i + 1, act)).body.outcomes[0].outcome).to.equal('saved');
    const everywhere = async () => {
      const found: string[] = [];
      for (const table of ['jobs', 'job_changes', 'readable_jobs', 'attachments']) {
        const { rows } = await server.database.raw(
          `select count(*)::int as n from ?? as t where t::text like ? or t::text like ?`,
          [table, `%${number}%`, `%${mesh.digest}%`],
        );
        if (rows[0].n > 0) found.push(table);
      }
      return found;
    };
    expect(await everywhere()).to.deep.equal(['jobs', 'job_changes', 'attachments']);
    for (const row of [
      'delete from job_changes where job_id = ?',
      'update job_changes set summary = null where job_id = ?',
    ])
      expect(
        await server.database.raw(row, [job.id]).then(
          () => 'allowed',
          (e: Error) => e.message,
        ),
      ).to.match(/append-only/);
    await server.call('PUT', `/api/jobs/${job.id}/away`, { away: true });
    await server.database('jobs').where({ id: job.id }).update({ summary: '{"name":"Mail van"}', summary_revision: 1 });
    expect((await server.call('DELETE', `/api/jobs/${job.id}`)).status).to.equal(200);
    expect(await everywhere()).to.deep.equal([]);
    const left = await server.database('jobs').where({ id: job.id }).first();
    expect([left.document, left.summary, left.summary_revision]).to.deep.equal([{}, null, null]);
    expect(
      (await server.call('GET', `/api/jobs/${other.id}/changes`)).body.changes,
      'another job’s history',
    ).to.have.length(1);
  });
});
