import { createRequire } from 'node:module';
import { expect } from 'chai';
import type { ELK } from 'elkjs';
import { circuitSheet } from '@endrel/core/cards/circuit/circuit-sheet';
import { MOST_BENDERS } from '@endrel/core/contract/api';
import { ServerUnderTest } from './server-under-test.ts';
import { demoJobs } from '@endrel/core/demo/index';
import { sayIn } from '@endrel/core/units/unit-system';
import { diagramGraph, diagramOf, type LaidGraph } from '@endrel/core/wiring/diagram';

// the layout engine is no module of its own
const Engine = createRequire(import.meta.url)('elkjs/lib/elk.bundled.js') as new () => ELK;

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const bender = (id: string, more: object = {}) => ({ id, label: `Lever bender ${id}`, radius: mm(28), ...more });

describe('the shop’s benders', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
  });
  after(() => server.stop());
  it('are kept, listed, replaced by their id and dropped', async () => {
    expect((await server.call('POST', '/api/benders', bender('a'))).status).to.equal(201);
    await server.call('POST', '/api/benders', bender('a', { mark: 'centre', before: mm(31) }));
    const { body } = await server.call('GET', '/api/benders');
    expect(body).to.deep.equal([bender('a', { mark: 'centre', before: mm(31) })]);
    expect((await server.call('DELETE', '/api/benders/a')).status).to.equal(200);
    expect((await server.call('DELETE', '/api/benders/a')).status).to.equal(404);
    expect((await server.call('GET', '/api/benders')).body).to.deep.equal([]);
  });
  it('without a radius or a name, with a radius of nothing or a field of its own are refused', async () => {
    for (const bad of [
      { id: 'a', radius: mm(28) },
      { id: 'a', label: 'x' },
      bender('a', { radius: mm(0) }),
      bender('a', { shop_id: 'other' }),
    ]) {
      const { status, body } = await server.call('POST', '/api/benders', bad);
      expect([status, typeof body.message]).to.deep.equal([400, 'string']);
    }
    expect((await server.call('GET', '/api/benders')).body).to.deep.equal([]);
  });
  it('are no more than the list holds when many are posted at once', async () => {
    const shop = (await server.database('shops').first('id')).id;
    await server.database('benders').insert(
      Array.from({ length: MOST_BENDERS - 2 }, (_, i) => ({
        shop_id: shop,
        id: `b${i}`,
        bender: JSON.stringify(bender(`b${i}`)),
      })),
    );
    const posts = await Promise.all(
      Array.from({ length: 8 }, (_, i) => server.call('POST', '/api/benders', bender(`n${i}`))),
    );
    expect(posts.filter((p) => p.status === 201)).to.have.length(2);
    expect(posts.find((p) => p.status === 400)!.body.message).to.match(/the list is full with 60/);
  });
  it('a tube is printed as strips at true size and its views; one that makes no sense is not', async () => {
    const tube = {
      title: 'Feed line',
      outside: 0.009525,
      radius: 0.0286,
      cut: 1.2,
      table: { straights: [0.3, 0.5, 0.3], rotations: [0, 1.57], bends: [1.57, 0.8] },
      steps: [
        { bend: 0, mark: 0.3, turn: 0, angle: 1.57, setTo: 1.6 },
        { bend: 1, mark: 0.85, turn: 1.57, angle: 0.8, setTo: 0.82 },
      ],
    };
    const ask = (body: unknown) =>
      fetch(`${server.address}/api/print/tube`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
    const sent = await ask(tube);
    expect([sent.status, sent.headers.get('content-type')]).to.deep.equal([200, 'application/pdf']);
    const pdf = Buffer.from(await sent.arrayBuffer()).toString('latin1');
    expect(pdf.slice(0, 5)).to.equal('%PDF-');
    // five strips of 250 mm stand on one sheet, the views on another; both A4
    expect(pdf.match(/\/Type \/Page\b(?!s)/g)).to.have.length(2);
    expect(pdf).to.match(/MediaBox \[0 0 595\.\d+ 841\.\d+\]/);
    for (const bad of [
      { ...tube, cut: 1e6 },
      { ...tube, outside: 0 },
      { ...tube, table: { ...tube.table, bends: [1] } },
    ])
      expect((await ask(bad)).status).to.equal(400);
  });
  it('a circuit is printed as a diagram and lists on either paper; one too large for it on a sheet of its own size', async () => {
    const harness = demoJobs.rescuePickup.wiring!;
    const laid = (await new Engine().layout(diagramGraph(harness) as never)) as LaidGraph;
    const diagram = diagramOf(harness, laid);
    const ask = async (paper: string, sheet: object) => {
      const sent = await fetch(`${server.address}/api/print/sheets`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ paper, sheets: [sheet] }),
      });
      return { status: sent.status, pdf: Buffer.from(await sent.arrayBuffer()).toString('latin1') };
    };
    const sheet = circuitSheet(harness, diagram, 'Hill rescue', sayIn('metric'));
    for (const [paper, box] of [
      ['a4', /MediaBox \[0 0 841\.\d+ 595\.\d+\]/],
      ['letter', /MediaBox \[0 0 79[12](\.\d+)? 612(\.\d+)?\]/],
    ] as const) {
      const { status, pdf } = await ask(paper, sheet);
      expect(status).to.equal(200);
      expect(pdf.slice(0, 5)).to.equal('%PDF-');
      expect(pdf).to.match(box);
      expect(pdf.match(/\/Type \/Page\b(?!s)/g)!.length).to.be.within(2, 5);
    }
    const wide = circuitSheet(harness, { ...diagram, width: 10_000 }, 'Hill rescue', sayIn('metric'));
    const mm = 72 / 25.4;
    const [, width] = /MediaBox \[0 0 ([\d.]+)/.exec((await ask('a4', wide)).pdf)!;
    expect(Number(width)).to.be.closeTo(10_000 * 0.42 + 20 * mm, 0.1); // letters of 10 points stay legible; 10 mm on either side
    expect((await ask('a3', sheet)).status).to.equal(400);
    const [first, ...rest] = sheet.sections;
    expect((await ask('a4', { ...sheet, sections: [{ ...first, drawing: null }, ...rest] })).status).to.equal(400);
  });
});
