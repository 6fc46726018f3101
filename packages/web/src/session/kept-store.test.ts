import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { keep, keepAttachment, loadAttachment, loadKept } from './kept-store.ts';
import type { Kept } from './pending.ts';

const act = (id: string, value: number): Kept['pending'][number] => ({
  id,
  base: 1,
  label: `act ${id}`,
  act: { act: 'set', path: ['survey', 'railHeight'], value: { si: value, unit: 'mm' } },
});
const kept = (...pending: Kept['pending']): Kept => ({ pending, past: [], future: [] });
const open = () => Promise.resolve(false);
const gone = () => Promise.resolve(true);

describe('what the browser keeps', () => {
  it('comes back as it was, act by act: a crash between two loses neither', async () => {
    keep('j1', 'page', kept(act('1', 0.1)));
    keep('j1', 'page', kept(act('1', 0.1), act('2', 0.2)));
    expect(await loadKept('j1', 'page', open)).to.deep.equal(kept(act('1', 0.1), act('2', 0.2)));
    expect((await loadKept('j2', 'page', open)).pending).to.deep.equal([]);
  });
  it('of a page that is gone is taken over, of one that is open left alone', async () => {
    keep('j3', 'before', kept(act('1', 0.1)));
    expect((await loadKept('j3', 'now', open)).pending).to.deep.equal([]);
    expect((await loadKept('j3', 'now', gone)).pending.map((p) => p.id)).to.deep.equal(['1']);
    // and by one page alone
    expect((await loadKept('j3', 'third', (client) => Promise.resolve(client === 'before'))).pending).to.deep.equal([]);
    expect((await loadKept('j3', 'now', gone)).pending.map((p) => p.id)).to.deep.equal(['1']);
  });
  it('holds attachments by their digest', async () => {
    await keepAttachment('d1', 'mesh');
    expect(await loadAttachment('d1')).to.equal('mesh');
    expect(await loadAttachment('d2')).to.equal(undefined);
  });
});
