import { expect } from 'chai';
import { LIST_PAGE, type JobList } from '@endrel/core/contract/api';
import { blankJob } from '@endrel/core/job/job';
import { ServerUnderTest } from './server-under-test.ts';

const JOBS = 2 * LIST_PAGE + 7;

describe('a list of many jobs', () => {
  let server: ServerUnderTest;
  before(async () => {
    server = await ServerUnderTest.start();
    const [shop] = await server.database('shops').select('id');
    const names = Array.from({ length: JOBS }, (_, i) => (i === 30 ? '100 % Émail_van' : `Van ${i}`));
    await server.database('jobs').insert(
      names.map((name, i) => ({
        shop_id: shop.id,
        revision: 1,
        document: JSON.stringify(blankJob(name, i % 2 ? 'Harbour yard' : 'Field')),
        // many were saved in the same moment
        saved_at: new Date(Date.UTC(2026, 0, 1 + Math.floor(i / 40))),
      })),
    );
  });
  after(() => server.stop());
  const page = async (query: Record<string, string> = {}): Promise<JobList> =>
    (await server.call('GET', `/api/jobs?${new URLSearchParams(query).toString()}`)).body;
  const names = ({ jobs }: JobList) => jobs.map((j) => j.name);
  async function pages(query: Record<string, string> = {}): Promise<JobList[]> {
    const all = [await page(query)];
    for (let after = all[0]!.after; after !== undefined; after = all.at(-1)!.after) all.push(await page({ ...query, after }));
    return all;
  } // prettier-ignore

  it('comes in pages, the last saved first, each job once', async () => {
    const all = await pages();
    expect(all.map((p) => p.jobs.length)).to.deep.equal([LIST_PAGE, LIST_PAGE, 7]);
    expect(new Set(all.flatMap(names)).size).to.equal(JOBS);
    const saved = all.flatMap((p) => p.jobs.map((j) => j.savedAt));
    expect(saved).to.deep.equal([...saved].sort().reverse());
    expect(all.every((p) => p.atHand === JOBS && p.away === 0)).to.equal(true);
  });
  it('finds every word in name or vehicle, however written, and takes no character for a wildcard', async () => {
    expect(names(await page({ find: 'émail FIELD' }))).to.deep.equal(['100 % Émail_van']);
    expect(names(await page({ find: '%' }))).to.deep.equal(['100 % Émail_van']);
    expect(names(await page({ find: 'l_v' }))).to.deep.equal(['100 % Émail_van']);
    expect(names(await page({ find: 'n_3' }))).to.deep.equal([]);
    expect(names(await page({ find: "';drop table jobs;--" }))).to.deep.equal([]);
    expect((await pages({ find: 'van harbour' })).flatMap(names)).to.have.length(Math.floor(JOBS / 2));
  });
  it('shows apart what is put away', async () => {
    const { jobs } = await page({ find: 'Van 7' });
    const { id } = jobs.find((j) => j.name === 'Van 7')!;
    await server.call('PUT', `/api/jobs/${id}/away`, { away: true });
    const away = await page({ away: 'true' });
    expect([names(away), away.atHand, away.away]).to.deep.equal([['Van 7'], JOBS - 1, 1]);
    expect((await pages()).flatMap(names)).to.not.include('Van 7');
    await server.call('PUT', `/api/jobs/${id}/away`, { away: false });
  });
  it('refuses a place that is none, and what it does not know, in words', async () => {
    const id = '0b8f9f2e-7d52-4c6e-9f57-1d0f6f6f2a11';
    for (const query of ['after=x', `after=2026-01-01T00:00:00.000000_${'-'.repeat(36)}`, `after=2026-02-30T00:00:00.000000_${id}`, `after=2026-99-01T00:00:00.000000_${id}`, 'away=perhaps', 'order=name', `find=${'x'.repeat(201)}`, 'find=a&find=b']) {
      const { status, body } = await server.call('GET', `/api/jobs?${query}`);
      expect([status, body.code], query).to.deep.equal([400, 'invalid']);
    }
  }); // prettier-ignore
});
