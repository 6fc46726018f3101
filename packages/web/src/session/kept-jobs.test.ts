import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { demoJobs } from '@endrel/core/demo/index';
import { copyOf } from '@endrel/core/job/copy-job';
import { database } from './browser-database.ts';
import { forgetJob, jobsAtHand, keepJob, loadJob, writeJobs } from './kept-jobs.ts';
import { keep, written } from './kept-store.ts';
import { keptOf } from './kept.ts';

const { mailVan } = demoJobs;
const stored = (id: string, revision = 1, document = mailVan) => ({ id, revision, savedAt: '', document });

describe('jobs that a browser can open by itself', () => {
  beforeEach(async () => {
    const db = await database();
    await Promise.all([db.clear('jobs'), db.clear('kept')]);
  });

  it('are the last that the server had of each, with what is still to be sent', async () => {
    keepJob(stored('a', 1));
    keepJob(stored('a', 2, copyOf(mailVan, { name: 'Van again', vehicle: 'Skarn 8' })));
    keepJob(stored('b'));
    const act = { act: 'set', path: ['survey', 'railHeight'], value: { si: 1, unit: 'm' } } as const;
    keep('a', 'page', keptOf({ pending: [{ id: '1', base: 2, act, label: 'one' }] }));
    await written();
    const found = await jobsAtHand();
    expect(found.map((j) => [j.id, j.name, j.unsent]).sort()).to.deep.equal([
      ['a', 'Van again', 1],
      ['b', mailVan.name, 0],
    ]);
    expect((await loadJob('a'))?.revision).to.equal(2);
    expect(await loadJob('c')).to.equal(undefined);
  });
  it('are brought to the current shape when an older page kept them', async () => {
    const old = JSON.parse(JSON.stringify({ ...mailVan, schemaVersion: 3 })) as typeof mailVan;
    await (await database()).put('jobs', { ...stored('old', 4, old), keptAt: '2026-01-01T00:00:00.000Z' });
    const read = await loadJob('old');
    expect([read?.revision, read?.document]).to.deep.equal([4, mailVan]);
    await (await database()).put('jobs', { ...stored('broken', 4, { schemaVersion: 2 } as never), keptAt: '' });
    expect(await loadJob('broken')).to.equal(undefined);
  });
  it('are sixty at most, and those with something to send stay', async () => {
    const act = { act: 'set', path: ['survey', 'railHeight'], value: { si: 1, unit: 'm' } } as const;
    keep('job-0', 'page', keptOf({ pending: [{ id: '1', base: 1, act, label: 'one' }] }));
    await written();
    const db = await database();
    for (let i = 0; i < 63; i++) {
      await db.put('results', { id: `job-${i}`, revision: 1, build: 'a', assessment: {} as never });
      keepJob(stored(`job-${i}`));
      await writeJobs();
    }
    const ids = (await jobsAtHand()).map((j) => j.id);
    expect(ids).to.have.length(60);
    expect(ids).to.include.members(['job-0', 'job-62']);
    expect(ids).to.not.include('job-1');
    // what was said of a job is kept as long as the job
    expect((await db.getAllKeys('results')).sort()).to.deep.equal([...ids].sort());
  });
  it('are forgotten with the job', async () => {
    keepJob(stored('a'));
    await forgetJob('a');
    await writeJobs();
    expect(await jobsAtHand()).to.deep.equal([]);
  });
});
