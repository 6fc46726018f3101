import { expect } from 'chai';
import { MOST_PUMPS } from '@endrel/core/contract/api';
import { demoJobs } from '@endrel/core/demo/index';
import { ServerUnderTest } from './server-under-test.ts';

describe('the shop’s own pumps', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());
  const tables = Object.values(demoJobs.mailVan.parts).flatMap((c) => (c.kind === 'pump' ? (c.tables ?? []) : []));
  it('are kept, listed, replaced by name and dropped', async () => {
    const kept = await server.call('POST', '/api/pumps', { name: 'Bench pump 3', tables });
    expect(kept.status).to.equal(201);
    expect(kept.body.tables).to.deep.equal(tables);
    await server.call('POST', '/api/pumps', { name: 'Bench pump 3', tables: tables.slice(0, 1) });
    const { body } = await server.call('GET', '/api/pumps');
    expect(body).to.have.length(1);
    expect(body[0].tables).to.have.length(1);
    expect((await server.call('DELETE', `/api/pumps/${body[0].id}`)).status).to.equal(200);
    expect((await server.call('GET', '/api/pumps')).body).to.deep.equal([]);
    expect((await server.call('DELETE', `/api/pumps/${body[0].id}`)).status).to.equal(404);
  });
  it('are no more than the library holds when many are posted at once; replacing one of them is no addition', async () => {
    const name = (i: number) => `Racing pump ${i}`;
    const shop = (await server.database('shops').first('id')).id;
    const two = JSON.stringify(tables.slice(0, 1));
    await server
      .database('pumps')
      .insert(Array.from({ length: MOST_PUMPS - 3 }, (_, i) => ({ shop_id: shop, name: name(i), tables: two })));
    const posts = await Promise.all(
      Array.from({ length: 20 }, (_, i) => server.call('POST', '/api/pumps', { name: `New ${i}`, tables })),
    );
    expect(posts.filter((p) => p.status === 201)).to.have.length(3);
    const full = posts.filter((p) => p.status === 400);
    expect(full).to.have.length(17);
    expect(full[0]!.body.message).to.equal('The pump was not kept: the library is full with 200 pumps.');
    expect((await server.call('GET', '/api/pumps')).body).to.have.length(MOST_PUMPS);
    const replaced = await Promise.all(
      [0, 1, 1].map((i) => server.call('POST', '/api/pumps', { name: name(i), tables })),
    );
    expect(replaced.map((r) => r.status)).to.deep.equal([201, 201, 201]);
    expect((await server.call('GET', '/api/pumps')).body).to.have.length(MOST_PUMPS);
  });
  it('with tables that rise, with no name or with nothing in them are refused by field', async () => {
    const rising = structuredClone(tables);
    rising[0]!.rows[2]!.flow.si = 1e-3;
    for (const [bad, message] of [
      [{ name: 'x', tables: rising }, /make no sense \(notMonotone\)/],
      [{ name: ' ', tables }, /name must not be empty/],
      [{ name: 'x', tables: [] }, /tables needs a flow table/],
      [{ name: 'x', tables, shop_id: 'other' }, /shop_id/],
    ] as const) {
      const { status, body } = await server.call('POST', '/api/pumps', bad);
      expect(status).to.equal(400);
      expect(body.message).to.match(message);
    }
    expect((await server.call('DELETE', '/api/pumps/1%27%20or%201=1')).status).to.equal(404);
  });
});
