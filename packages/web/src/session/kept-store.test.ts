import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { expect } from 'chai';
import { openDB } from 'idb';
import {
  keep,
  keepAttachment,
  keepFor,
  keeping,
  keepTyped,
  loadAttachment,
  loadGone,
  loadKept,
  written,
} from './kept-store.ts';
import { reopen } from './browser-database.ts';
import { keptOf, type Kept } from './kept.ts';

const act = (id: string, value: number): Kept['pending'][number] => ({
  id,
  base: 1,
  label: `act ${id}`,
  act: { act: 'set', path: ['survey', 'railHeight'], value: { si: value, unit: 'mm' } },
});
const kept = (...pending: Kept['pending']): Kept => keptOf({ pending });
const open = () => Promise.resolve(false);
const gone = () => Promise.resolve(true);
const ids = ({ kept: { pending } }: { kept: Kept }) => pending.map((p) => p.id);

describe('what the browser keeps', () => {
  before(async () => {
    // a browser in which nothing is kept yet
    globalThis.indexedDB = new IDBFactory();
    reopen();
    // as a page of the version before left it: everything in one record
    const old = await openDB('endrel', 1, {
      upgrade(db) {
        db.createObjectStore('kept', { keyPath: ['job', 'client'] });
        db.createObjectStore('attachments');
      },
    });
    const past = [{ label: 'before', act: act('0', 0).act }];
    await old.put('kept', { job: 'j0', client: 'page', pending: [act('1', 0.1)], past, future: [] });
    await old.put('attachments', 'mesh', 'd0');
    old.close();
  });

  it('by an Endrel of before is still there', async () => {
    const { kept: found } = await loadKept('j0', 'page');
    expect([found.pending.map((p) => p.id), found.past.map((s) => s.label)]).to.deep.equal([['1'], ['before']]);
    expect(await loadAttachment('d0')).to.equal('mesh');
  });
  it('comes back as it was, act by act: a crash between two loses neither', async () => {
    keep('j1', 'page', kept(act('1', 0.1)));
    keep('j1', 'page', kept(act('1', 0.1), act('2', 0.2)));
    expect((await loadKept('j1', 'page')).kept).to.deep.equal(kept(act('1', 0.1), act('2', 0.2)));
    expect(ids(await loadKept('j2', 'page'))).to.deep.equal([]);
  });
  it('with the steps of undo and what was refused', async () => {
    const refused = [{ ...act('9', 0.9), why: 'it is too far' }].map(({ id, act: a, label, why }) => ({
      id,
      act: a,
      label,
      why,
    }));
    const all = keptOf({ refused, past: [{ label: 'x', act: act('1', 1).act }] });
    keep('j6', 'page', all);
    expect((await loadKept('j6', 'page')).kept).to.deep.equal(all);
  });
  it('of a page that is gone is taken over, of one that is open left alone', async () => {
    keep('j3', 'before', kept(act('1', 0.1)));
    await written();
    expect(ids(await loadGone('j3', 'now', open))).to.deep.equal([]);
    const found = await loadGone('j3', 'now', gone);
    expect(ids(found)).to.deep.equal(['1']);
    // until it is kept elsewhere it stays where it is
    expect(ids(await loadGone('j3', 'third', gone))).to.deep.equal(['1']);
    keep('j3', 'now', found.kept);
    found.forget();
    await written();
    expect(ids(await loadGone('j3', 'third', (c) => Promise.resolve(c === 'before')))).to.deep.equal([]);
    expect(ids(await loadKept('j3', 'now'))).to.deep.equal(['1']);
  });
  it('holds the text in fields, by page, and gives up that of a page that is gone', async () => {
    keepFor('a');
    const depth = { path: ['survey', 'tank', 'depth'], text: '9 1/', was: '' };
    keepTyped('j4', depth.path, { ...depth, text: '9' });
    keepTyped('j4', depth.path, depth);
    expect((await loadKept('j4', 'a')).typed).to.have.length(1);
    expect((await loadKept('j4', 'a')).typed[0]).to.deep.include(depth);
    expect((await loadKept('j4', 'b')).typed).to.deep.equal([]);
    const found = await loadGone('j4', 'b', gone);
    expect(found.typed[0]).to.include({ text: '9 1/' });
    found.forget();
    keepTyped('j4', ['survey', 'railHeight'], { ...depth, path: ['survey', 'railHeight'] });
    keepTyped('j4', ['survey', 'railHeight'], undefined);
    expect((await loadKept('j4', 'a')).typed).to.deep.equal([]);
  });
  const failing = async (name: string, during: () => Promise<void>) => {
    const { transaction } = IDBDatabase.prototype;
    IDBDatabase.prototype.transaction = function () {
      IDBDatabase.prototype.transaction = transaction; // the next one goes through
      throw new DOMException('no', name);
    };
    try {
      await during();
    } finally {
      IDBDatabase.prototype.transaction = transaction;
    }
  };
  it('is tried again where the browser had closed its storage, and the page is told where it cannot be kept', async () => {
    const told: boolean[] = [];
    const leave = keeping.subscribe(() => told.push(keeping.get()));
    await failing('InvalidStateError', async () => {
      keep('j7', 'page', kept(act('1', 0.1)));
      await written();
    });
    expect(ids(await loadKept('j7', 'page'))).to.deep.equal(['1']);
    expect(told).to.deep.equal([]);
    await failing('QuotaExceededError', async () => {
      keepTyped('j7', ['name'], { path: ['name'], text: 'x', was: '' });
      await written();
    });
    expect(keeping.get()).to.equal(false);
    keep('j7', 'page', kept(act('1', 0.1), act('2', 0.2)));
    await written();
    expect(told).to.deep.equal([false, true]);
    expect(ids(await loadKept('j7', 'page'))).to.deep.equal(['1', '2']);
    leave();
  });
  it('keeps the steps of one job though another is opened at once', async () => {
    const steps = (label: string) => keptOf({ past: [{ label, act: act('1', 1).act }] });
    keep('j8', 'page', steps('first'));
    keep('j9', 'page', steps('second'));
    const labels = async (job: string) => (await loadKept(job, 'page')).kept.past.map((s) => s.label);
    expect([await labels('j8'), await labels('j9')]).to.deep.equal([['first'], ['second']]);
  });
  it('holds attachments by their digest', async () => {
    await keepAttachment('d1', 'mesh');
    expect(await loadAttachment('d1')).to.equal('mesh');
    expect(await loadAttachment('d2')).to.equal(undefined);
  });
});
