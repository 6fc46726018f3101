import { mkdtemp, mkdir, rm, writeFile } from 'node:fs/promises';
import http from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { brotliCompressSync, brotliDecompressSync, gunzipSync, gzipSync } from 'node:zlib';
import { expect } from 'chai';
import { labelsOf } from '@endrel/core/cards/labels';
import { demoJobs } from '@endrel/core/demo/index';
import { jointsOf } from '@endrel/core/run/joints';
import { ServerUnderTest } from './server-under-test.ts';

interface Answer {
  readonly status: number;
  readonly headers: http.IncomingHttpHeaders;
  readonly body: Buffer;
}
/** As it comes over the wire: nothing is unpacked on the way. */
const get = (url: string, accept: string): Promise<Answer> =>
  new Promise((resolve, reject) => {
    http
      .get(url, { headers: { 'accept-encoding': accept } }, (answer) => {
        const chunks: Buffer[] = [];
        answer.on('data', (chunk: Buffer) => chunks.push(chunk));
        answer.on('end', () =>
          resolve({ status: answer.statusCode!, headers: answer.headers, body: Buffer.concat(chunks) }),
        );
      })
      .on('error', reject);
  });

const script = `export const words = ${JSON.stringify('supply and return '.repeat(400))};\n`;

describe('what the server sends', () => {
  let server: ServerUnderTest;
  let root: string;
  before(async () => {
    root = await mkdtemp(path.join(os.tmpdir(), 'endrel-sent-'));
    await mkdir(path.join(root, 'assets'));
    for (const file of ['assets/app-1.js', 'service-worker.js']) {
      await writeFile(path.join(root, file), script);
      await writeFile(path.join(root, `${file}.br`), brotliCompressSync(script));
      await writeFile(path.join(root, `${file}.gz`), gzipSync(script));
    }
    await writeFile(path.join(root, 'index.html'), '<!doctype html><title>Endrel</title>');
    server = await ServerUnderTest.start({ demo: true, webRoot: root });
  });
  after(async () => {
    await server.stop();
    await rm(root, { recursive: true });
  });

  for (const [accept, encoding, unpacked] of [
    ['br, gzip', 'br', brotliDecompressSync],
    ['gzip', 'gzip', gunzipSync],
    ['identity', undefined, (b: Buffer) => b],
  ] as const)
    it(`is a script as the build compressed it, for who accepts ${accept}`, async () => {
      const sent = await get(`${server.address}/assets/app-1.js`, accept);
      expect(sent.status).to.equal(200);
      expect(sent.headers['content-encoding']).to.equal(encoding);
      expect(unpacked(sent.body).toString()).to.equal(script);
      expect(sent.headers['content-type']).to.match(/javascript/);
      expect(sent.headers['cache-control']).to.match(/immutable/);
    });
  it('is a service worker that is asked for anew each time', async () => {
    const sent = await get(`${server.address}/service-worker.js`, 'br');
    expect(sent.headers['cache-control']).to.equal('public, max-age=0');
    expect(sent.headers['content-encoding']).to.equal('br');
  });
  it('is a long answer compressed, and the same as it would be at length', async () => {
    const { jobs } = JSON.parse((await get(`${server.address}/api/jobs`, 'identity')).body.toString()) as {
      jobs: { id: string; name: string }[];
    };
    const van = jobs.find((j) => j.name.startsWith('Mail van'))!;
    const plain = await get(`${server.address}/api/jobs/${van.id}`, 'identity');
    for (const [accept, unpacked] of [
      ['br', brotliDecompressSync],
      ['gzip', gunzipSync],
    ] as const) {
      const sent = await get(`${server.address}/api/jobs/${van.id}`, accept);
      expect(sent.headers['content-encoding']).to.equal(accept);
      expect(sent.body.length).to.be.below(plain.body.length / 3);
      expect(unpacked(sent.body).toString()).to.equal(plain.body.toString());
    }
    const short = await get(`${server.address}/api/alive`, 'br, gzip');
    expect(short.headers['content-encoding']).to.equal(undefined);
  });
  it('is a feed line by line, not held back', async () => {
    const first = await new Promise<string>((resolve, reject) => {
      const asked = http.get(`${server.address}/api/feed`, { headers: { 'accept-encoding': 'br, gzip' } }, (answer) => {
        expect(answer.headers['content-encoding']).to.equal(undefined);
        answer.once('data', (chunk: Buffer) => {
          resolve(chunk.toString());
          asked.destroy();
        });
      });
      asked.on('error', reject);
    });
    expect(first.length).to.be.greaterThan(0);
  });

  const { hanger } = demoJobs.flatBedTender;
  const print = (body: unknown) =>
    fetch(`${server.address}/api/print/template`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  it('is a template as PDF at true size', async () => {
    const sent = await print({ hanger, kind: 'ring', title: 'Tarrow 30 · ring plate' });
    expect(sent.status).to.equal(200);
    expect(sent.headers.get('content-type')).to.equal('application/pdf');
    const pdf = Buffer.from(await sent.arrayBuffer()).toString('latin1');
    expect(pdf.startsWith('%PDF-')).to.equal(true);
    // ISO 216: A4 is 210 x 297 mm, 595.28 x 841.89 points
    expect(pdf).to.match(/MediaBox \[0 0 595\.2\d* 841\.8\d*\]/);
  });
  for (const [what, body, says] of [
    ['a plate that is not measured', { hanger: {}, kind: 'ring', title: 'x' }, /not measured yet/],
    ['a kind that is none', { hanger, kind: 'poster', title: 'x' }, /kind/],
    ['a hanger that is none', { hanger: { boltCircle: 'wide' }, kind: 'ring', title: 'x' }, /boltCircle/],
    ['characters that no title has', { hanger, kind: 'ring', title: 'a\u0000b' }, /title|characters/],
    ['more than was asked for', { hanger, kind: 'ring', title: 'x', path: '/etc/passwd' }, /path|not understood/],
  ] as const)
    it(`is no PDF of ${what}: that is said`, async () => {
      const sent = await print(body);
      expect(sent.status).to.equal(400);
      expect(((await sent.json()) as { message: string }).message).to.match(says);
    });
  for (const [paper, box] of [
    ['a4', /MediaBox \[0 0 595\.2\d* 841\.8\d*\]/],
    ['letter', /MediaBox \[0 0 612(\.0*\d*)? 792(\.0*\d*)?\]/],
  ] as const)
    it(`is a sheet of labels as PDF on ${paper}, on as many pages as they take`, async () => {
      const labels = labelsOf(demoJobs.rescuePickup, jointsOf(demoJobs.rescuePickup));
      const sent = await fetch(`${server.address}/api/print/labels`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ labels, paper }),
      });
      expect([sent.status, sent.headers.get('content-type')]).to.deep.equal([200, 'application/pdf']);
      const pdf = Buffer.from(await sent.arrayBuffer()).toString('latin1');
      expect(pdf.startsWith('%PDF-')).to.equal(true);
      expect(pdf).to.match(box);
      const perSheet = paper === 'a4' ? 24 : 21;
      expect(pdf.match(/\/Type \/Page\b/g)!.length).to.equal(Math.ceil(labels.length / perSheet));
    });
  it('is no PDF of labels that are none', async () => {
    const ask = (body: unknown) => server.call('POST', '/api/print/labels', body);
    expect((await ask({ labels: [], paper: 'a4' })).status).to.equal(400);
    expect((await ask({ labels: [{ head: '1', text: 'x', kind: 'joint' }], paper: 'foolscap' })).status).to.equal(400);
  });
  it('is, of names with arrows and signs, a PDF that has them; signs that no face has are named', async () => {
    const ask = (text: string) =>
      server.call('POST', '/api/print/labels', { labels: [{ head: '1', text, kind: 'joint' }], paper: 'a4' });
    for (const text of ['Feed → rail', 'Bulkhead ⌀ 10 mm', 'Größe ≤ 8 µm, Ω, Ж'])
      expect((await ask(text)).status, text).to.equal(200);
    for (const [text, sign] of [
      ['Tank 油', '油'],
      ['חומר', 'ח'],
      ['وقود', 'و'],
      ['ถัง', 'ถ'],
    ] as const) {
      const { status, body } = await ask(text);
      expect([status, body.code], text).to.deep.equal([400, 'invalid']);
      expect(body.message, text).to.include(sign);
    }
  });
  it('is of sheets with every kind of section, and of none, of none that is known, and of a slip no PDF', async () => {
    const ask = (...sheets: object[]) => server.call('POST', '/api/print/sheets', { sheets, paper: 'a4' });
    const point = (x: number, y: number) => ({ x, y });
    const drawing = {
      title: 'Two strokes',
      left: 0,
      top: 0,
      width: 100,
      height: 50,
      isTrueSize: true,
      groups: [{ id: 'a', shapes: [{ kind: 'path', points: [point(0, 0), point(100, 50)], weight: 1 }] }],
    };
    const sheet = {
      key: 'all',
      title: 'Every section → one each',
      about: ['of today'],
      stop: 'Do not.',
      lies: 'upright',
      sections: [
        {
          as: 'table',
          key: 'row',
          columns: [{ name: 'What', is: 'words' }],
          rows: [['plain'], [{ text: 'half', open: 'its length' }]],
          ticks: true,
        },
        { as: 'words', heading: 'Words', text: ['a line'] },
        { as: 'figures', figures: [{ name: 'Length', value: '9 1/16 in', note: 'between seats' }] },
        { as: 'steps', about: 'for it', steps: ['Cut ≤ 3 mm.', 'Blow out.'] },
        { as: 'drawing', drawing },
        { as: 'caution', text: 'Mind.' },
      ],
    };
    expect((await ask(sheet, { ...sheet, key: 'again', lies: 'across' })).status).to.equal(200);
    const far = {
      ...drawing,
      groups: [{ id: 'a', shapes: [{ kind: 'text', x: 1e9, y: 0, text: 'x', size: 1, anchor: 'start' }] }],
    };
    for (const bad of [
      { ...sheet, lies: 'askew' },
      { ...sheet, key: '../x' },
      { ...sheet, sections: [{ as: 'poem' }] },
      { ...sheet, sections: [{ as: 'drawing', drawing: { ...drawing, width: 0 } }] },
      { ...sheet, sections: [{ as: 'drawing', drawing: far }] },
    ])
      expect((await ask(bad)).status).to.equal(400);
    expect((await ask()).status).to.equal(400);
  });
  it('is no PDF for a GET', async () => {
    expect((await fetch(`${server.address}/api/print/template`)).status).to.equal(405);
  });
});
