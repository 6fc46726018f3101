import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { attachMesh } from '@endrel/core/attachments/tank-mesh';
import { demoJobs } from '@endrel/core/demo/index';
import { resampled, ruledMesh } from '@endrel/core/tanks/extrude';
import { packMesh } from '@endrel/core/meshes/packed-mesh';
import { roundedRectangle } from '@endrel/core/tanks/section-polygon';
import { ServerUnderTest } from './server-under-test.ts';

describe('large things', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());
  const stations = Array.from({ length: 220 }, (_, i) => ({
    x: i * 0.003,
    points: resampled(roundedRectangle(0.4 + 0.05 * Math.sin(i / 30), 0.25, 0.05)),
  }));
  const packed = packMesh(ruledMesh(stations), 'cell.stl', false);
  const { mesh, text } = attachMesh(packed);
  const name = (job: string) =>
    server.call('POST', `/api/jobs/${job}/acts`, {
      client: 'a',
      known: 1,
      acts: [{ id: randomUUID(), base: 1, act: { act: 'set', path: ['survey', 'tank', 'mesh'], value: mesh } }],
    });

  it('are stored once by their digest, and the job only names them', async () => {
    const { body: job } = await server.call('POST', '/api/jobs', { document: demoJobs.mailVan });
    expect(mesh.triangles).to.be.greaterThan(40_000);
    const early = await name(job.id);
    expect(early.status).to.equal(400);
    expect(early.body.message).to.match(/has not been sent/);
    for (let i = 0; i < 2; i++)
      expect((await server.call('PUT', `/api/attachments/${mesh.digest}`, text)).status).to.equal(200);
    expect((await name(job.id)).body.outcomes[0].outcome).to.equal('saved');
    expect((await server.call('GET', `/api/attachments/${mesh.digest}`)).body).to.equal(text);
    const { body } = await server.call('GET', `/api/jobs/${job.id}`);
    expect(JSON.stringify(body).length).to.be.lessThan(60_000);
    const { rows } = await server.database.raw('select count(*)::int as n from attachments');
    expect(rows[0].n).to.equal(1);
  });

  it('that are damaged, unsound, too large or not there are refused', async () => {
    const put = (digest: string, content: string) => server.call('PUT', `/api/attachments/${digest}`, content);
    expect(
      (
        await put(
          mesh.digest.replace(/^./, (c) => (c === '0' ? '1' : '0')),
          text,
        )
      ).body.message,
    ).to.match(/not what its digest says/);
    const broken = attachMesh({ ...packed, faces: packed.faces.slice(8) });
    expect((await put(broken.mesh.digest, broken.text)).body.message).to.match(/does not hold the triangles/);
    expect((await put(mesh.digest, 'x'.repeat(3e6))).status).to.equal(413);
    expect((await put('no-digest', text)).status).to.equal(404);
    expect((await server.call('GET', `/api/attachments/${'0'.repeat(64)}`)).status).to.equal(404);
  });

  it('a mesh that a row of version 2 holds inside is kept, also where an act is the first to touch the row', async () => {
    const old = JSON.parse(readFileSync(new URL('../../core/test/version-2/mailVan.json', import.meta.url), 'utf8'));
    const own = packMesh(ruledMesh(stations.slice(0, 9)), 'old.stl', false);
    old.survey.tank.mesh = own;
    const [shop] = await server.database('shops').select('id');
    const [job] = await server
      .database('jobs')
      .insert({ shop_id: shop.id, revision: 1, document: JSON.stringify(old) })
      .returning('id');
    const act = { act: 'setOnPart', id: 'hose-1', key: 'note', value: 'first' };
    const done = await server.call('POST', `/api/jobs/${job.id}/acts`, {
      client: 'a',
      known: 1,
      acts: [{ id: randomUUID(), base: 1, act }],
    });
    expect(done.body.outcomes[0]).to.include({ outcome: 'saved', revision: 2 });
    const { document } = (await server.call('GET', `/api/jobs/${job.id}`)).body;
    const kept = await server.call('GET', `/api/attachments/${document.survey.tank.mesh.digest}`);
    expect(kept.status).to.equal(200);
    expect(JSON.parse(kept.body)).to.deep.equal(JSON.parse(JSON.stringify(own)));
  });
});
