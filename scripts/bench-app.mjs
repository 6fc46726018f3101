// The second half of npm run bench: the application itself, on a database of its own, in a browser.
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { withDemoApp } from './lib/demo-app.mjs';

const sorted = (times) => [...times].sort((a, b) => a - b);
const say = (what, times, limit) => {
  const all = sorted(times);
  const at = (share) => all[Math.min(all.length - 1, Math.floor(share * all.length))].toFixed(1);
  console.log(`${what.padEnd(58)}median ${at(0.5).padStart(6)} ms   worst ${at(1).padStart(6)} ms   ${limit}`);
};
const caller = (address) => async (method, below, body) => {
  const started = performance.now();
  const answer = await fetch(`${address}/api${below}`, {
    method,
    headers: body ? { 'Content-Type': 'application/json' } : {},
    body: body && JSON.stringify(body),
  });
  const read = await answer.json();
  if (!answer.ok) throw new Error(`${below}: ${read.message}`);
  return { read, ms: performance.now() - started };
};

await withDemoApp(async ({ address, browser, databaseUrl }) => {
  const call = caller(address);
  // saves: any act, a strapping table of 400 rows among them
  const jobs = (await call('GET', '/jobs')).read.jobs;
  const mail = jobs.find((j) => j.name.includes('Mail')).id;
  const litres = (i) => ({ si: (i + 1) * 1e-4, unit: 'L' });
  const rows = Array.from({ length: 400 }, (_, i) => ({
    level: { si: (i + 1) * 5e-4, unit: 'mm' },
    volume: litres(i),
  }));
  const acts = (n) => [
    { act: 'set', path: ['survey', 'tank', 'depth'], value: { si: 0.2 + n / 1e4, unit: 'mm' } },
    { act: 'setOnPart', id: 'hose-1', key: 'length', value: { si: 0.2 + n / 1e4, unit: 'mm' } },
  ];
  let revision = 1;
  const save = async (act) => {
    const { read, ms } = await call('POST', `/jobs/${mail}/acts`, {
      client: 'bench',
      known: revision,
      acts: [{ id: randomUUID(), base: revision, act }],
    });
    if (read.outcomes[0].outcome !== 'saved') throw new Error(JSON.stringify(read.outcomes));
    revision = read.revision;
    return ms;
  };
  const plain = [];
  const tables = [];
  for (let n = 0; n < 60; n++) for (const act of acts(n)) plain.push(await save(act));
  for (let n = 0; n < 20; n++) {
    const value = rows.map((r, i) => (i === 0 ? { ...r, volume: litres(0.5 + n / 100) } : r));
    tables.push(await save({ act: 'set', path: ['survey', 'tank', 'strapping'], value }));
  }
  say('save of an act, there and back', plain, 'limit 10 ms at the server');
  say('save of a strapping table of 400 rows', tables, 'limit 10 ms at the server');

  // edits in the page: from the act to its consequences on the screen's data
  const everything = [];
  for (const job of jobs) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/jobs/${job.id}/survey`);
    const height = page.getByLabel(/^Rail or carburettor height/);
    await height.waitFor();
    await page.waitForTimeout(1500);
    await page.evaluate(() => performance.clearMeasures());
    await height.focus();
    for (let i = 0; i < 14; i++) {
      await page.keyboard.press(i % 2 ? 'ArrowUp' : 'Shift+ArrowUp');
      await page.waitForTimeout(120);
    }
    const times = await page.evaluate(() => performance.getEntriesByName('endrel: edit to consequences').map((m) => m.duration)); // prettier-ignore
    everything.push(...times);
    if (times.length > 0) say(`edit to consequences: ${job.name}`, times, '');
    await page.close();
  }
  say('edit to consequences, all demo jobs', everything, 'limit 15 ms, worst 50 ms');

  // a list of 2000 jobs
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query(
    `insert into jobs (shop_id, revision, document, summary, summary_revision)
     select shop_id, revision, document, summary, revision from jobs cross join generate_series(1, 333)`,
  );
  await client.end();
  const lists = [];
  for (let i = 0; i < 12; i++) lists.push((await call('GET', '/jobs')).ms);
  const searches = [];
  for (let i = 0; i < 12; i++) searches.push((await call('GET', '/jobs?find=mail')).ms);
  const { atHand } = (await call('GET', '/jobs')).read;
  say(`list of ${atHand} jobs, its first page there and read`, lists.slice(2), 'limit 100 ms');
  say(`one of ${atHand} jobs found by a word`, searches.slice(2), 'limit 100 ms');
});
