import { expect } from 'chai';
import { demoShelf } from '@endrel/core/demo/shelf';
import { genericAdapters } from '@endrel/core/fittings/adapter-catalogue';
import { MOST_SHELF } from '@endrel/core/joints/shelf-csv';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { ServerUnderTest } from './server-under-test.ts';

describe('the shop’s shelf', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());
  const list = async () => (await server.call('GET', '/api/shelf')).body as ShelfPart[];
  const [first, second] = demoShelf() as [ShelfPart, ShelfPart];

  it('keeps parts by code, replaces those that are there, and drops them', async () => {
    expect((await server.call('POST', '/api/shelf', { parts: [first, second] })).status).to.equal(201);
    await server.call('POST', '/api/shelf', { parts: [{ ...first, count: 9, note: 'drawer 2' }] });
    const held = await list();
    expect(held).to.have.length(2);
    expect(held.find((p) => p.adapter.code === first.adapter.code)).to.deep.equal({
      ...first,
      count: 9,
      note: 'drawer 2',
    });
    const at = `/api/shelf?code=${encodeURIComponent(first.adapter.code)}`;
    expect((await server.call('DELETE', at)).status).to.equal(200);
    expect((await server.call('DELETE', at)).status).to.equal(404);
    expect(await list()).to.deep.equal([second]);
  });
  it('takes all of what is sent or nothing', async () => {
    const before = await list();
    for (const [parts, message] of [
      [[{ ...first, count: -1 }], /count/],
      [[first, first], /a code stands there twice/],
      [[{ ...first, adapter: { ...first.adapter, bore: 0 } }], /bore/],
      [[{ ...first, adapter: { ...first.adapter, ports: [{ form: 'wobble', size: '3', gender: 'male' }] } }], /form/],
      [[], /parts/],
    ] as const) {
      const { status, body } = await server.call('POST', '/api/shelf', { parts });
      expect(status).to.equal(400);
      expect(body.message).to.match(message);
    }
    expect((await server.call('DELETE', '/api/shelf?code=%27%20or%201=1')).status).to.equal(404);
    expect((await server.call('PUT', '/api/shelf', {})).status).to.equal(405);
    expect(await list()).to.deep.equal(before);
  });
  it('holds no more than it may, however many are sent at once', async () => {
    const parts = Array.from({ length: MOST_SHELF - 1 }, (_, i): ShelfPart => ({
      adapter: { ...genericAdapters()[i % 50]!, code: `p ${i}` },
      count: 1,
    }));
    expect((await server.call('POST', '/api/shelf', { parts })).status).to.equal(201);
    const more = await server.call('POST', '/api/shelf', {
      parts: [{ ...first, adapter: { ...first.adapter, code: 'one more' } }],
    });
    expect(more.status).to.equal(400);
    expect(more.body.message).to.match(/more than 5000 parts/);
    expect(await list()).to.have.length(MOST_SHELF);
  });
});
