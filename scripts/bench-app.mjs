/* global window, document, IDBDatabase -- in functions that run in the page */
// The second half of npm run bench: the application itself, on a database of its own, in a browser.
import { readdirSync, statSync } from 'node:fs';
import pg from 'pg';
import { attachMesh } from '../packages/core/src/attachments/tank-mesh.ts';
import { demoJobs } from '../packages/core/src/demo/index.ts';
import { resampled, ruledMesh } from '../packages/core/src/tanks/extrude.ts';
import { packMesh } from '../packages/core/src/meshes/packed-mesh.ts';
import { roundedRectangle } from '../packages/core/src/tanks/section-polygon.ts';
import { withDemoApp } from './lib/demo-app.mjs';
import { BenchLimits } from './lib/bench-limits.ts';
import { weigh } from './lib/weigh.ts';

const assets = new URL('../packages/web/dist/assets', import.meta.url).pathname;

const sorted = (times) => [...times].sort((a, b) => a - b);
const limits = new BenchLimits();
/** @param limit - ms of the median, and of the worst. */
const say = (what, times, limit = '', [median, worst] = []) => {
  const all = sorted(times);
  if (median !== undefined) {
    limits.look();
    limits.time(what, all[Math.floor(all.length / 2)], median, 'ms');
  }
  if (worst !== undefined) limits.time(`${what}, the worst`, all.at(-1), worst, 'ms');
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

/** The mail van in a tank of 55 000 triangles, as a job file. */
function scannedTank() {
  const stations = Array.from({ length: 288 }, (_, i) => ({
    x: i * 0.002,
    points: resampled(roundedRectangle(0.4 + 0.05 * Math.sin(i / 40), 0.25, 0.05)),
  }));
  const { mesh, text } = attachMesh(packMesh(ruledMesh(stations), 'scan.stl', false));
  const { mailVan } = demoJobs;
  const tank = { ...mailVan.survey.tank, shape: 'mesh', mesh };
  return {
    name: `tank of ${mesh.triangles} triangles`,
    document: {
      ...mailVan,
      name: 'Scanned tank',
      survey: { ...mailVan.survey, tank },
      attachments: { [mesh.digest]: text },
    },
  };
}

/** How fast this machine is just now: a fixed sum, for figures of two days to be held against each other. */
function fixedSum() {
  const started = performance.now();
  let sum = 0;
  for (let i = 1; i < 4e6; i++) sum += Math.sqrt(i) / Math.log(i + 1);
  if (!(sum > 0)) throw new Error('no sum');
  return performance.now() - started;
}

/** From each key typed into a field until the browser says that what was typed is on the disk, ms. */
async function keysKept(browser, address) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => {
    window.keptAfter = [];
    let typed;
    document.addEventListener('input', () => (typed = performance.now()), true);
    const { transaction } = IDBDatabase.prototype;
    IDBDatabase.prototype.transaction = function (...args) {
      const made = transaction.apply(this, args);
      made.addEventListener('complete', () => {
        if (args[1] === 'readwrite' && typed !== undefined) window.keptAfter.push(performance.now() - typed);
        typed = undefined;
      });
      return made;
    };
  });
  await page.goto(address);
  const height = page.getByLabel(/^Rail or carburettor height/);
  await height.fill('');
  await page.waitForTimeout(1500);
  for (let i = 0; i < 6; i++) {
    await height.press('End');
    await height.pressSequentially('12 1/8 in', { delay: 140 });
    for (let k = 0; k < 9; k++) await height.press('Backspace', { delay: 60 });
  }
  const times = await page.evaluate(() => window.keptAfter);
  await page.close();
  return times;
}

await withDemoApp(async ({ address, browser, databaseUrl }) => {
  const call = caller(address);
  const jobs = (await call('GET', '/jobs')).read.jobs;

  // from the click in the list until the job is judged: for the first time in this browser, and again
  const openings = { 'for the first time': [], again: [] };
  for (const job of jobs) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    for (const when of Object.keys(openings)) {
      await page.goto(address);
      const link = page.getByRole('link', { name: job.name });
      await link.waitFor();
      await page.waitForTimeout(4000); // somebody reads the list
      const started = performance.now();
      await link.click();
      await page.locator('[data-reckoning="judged"]').waitFor();
      openings[when].push(performance.now() - started);
      await page.waitForTimeout(2000); // what was said is kept in a pause
    }
    await context.close();
  }
  for (const [when, times] of Object.entries(openings))
    say(`a job opened ${when}, click to judged`, times, 'limit 400 ms', [400]);

  // edits in the page: from the act until its consequences are drawn
  say('a fixed sum, for the speed of the machine', Array.from({ length: 9 }, fixedSum), '');
  const scanned = scannedTank();
  const { id } = (await call('POST', '/jobs', { document: scanned.document })).read;
  const everything = [];
  for (const job of [...jobs, { id, name: scanned.name }]) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/jobs/${job.id}/survey`);
    const height = page.getByLabel(/^Rail or carburettor height/);
    await height.waitFor();
    await page.waitForTimeout(1500);
    await page.evaluate(() => performance.clearMeasures());
    await height.focus();
    for (let i = 0; i < 14; i++) {
      await height.fill(`${600 + i} mm`);
      await page.waitForTimeout(60);
      await page.keyboard.press('Enter');
      await page.waitForTimeout(120);
    }
    const times = await page.evaluate(() =>
      performance.getEntriesByName('endrel: edit to consequences').map((m) => m.duration),
    );
    everything.push(...times);
    if (times.length > 0) say(`edit to consequences: ${job.name.split(':')[0]}`, times, '');
    await page.close();
  }
  say('edit to consequences, all demo jobs', everything, 'limit 15 ms, worst 50 ms', [15, 50]);

  say(
    'a key until it is kept on the disk',
    await keysKept(browser, `${address}/jobs/${jobs[0].id}/survey`),
    'limit 100 ms',
    [100],
  );

  // what a first visit fetches
  const kB = (bytes) => `${(bytes / 1000).toFixed(0).padStart(4)} kB`;
  for (const [what, path, limit] of [
    ['the job list', '/', 150],
    ['a job on Brief', `/jobs/${jobs[0].id}/brief`, 250],
  ]) {
    const { script, all, files } = await weigh(browser, address + path);
    limits.size(`first load of ${what}`, script / 1000, limit, 'kB');
    const largest = files
      .filter(([name]) => name.endsWith('.js'))
      .slice(0, 3)
      .map(([name, size]) => `${name.replace(/.*\/|-[^-]*$/g, '')} ${kB(size).trim()}`)
      .join(', ');
    console.log(
      `${`first load of ${what}, compressed script`.padEnd(58)}${kB(script)} of ${kB(all)} in all   limit ${limit} kB; ${largest}`,
    );
  }
  const worker = readdirSync(assets).find((name) => /^calc\.worker.*\.js\.br$/.test(name));
  console.log(`${'its worker, fetched beside the page'.padEnd(58)}${kB(statSync(`${assets}/${worker}`).size)}`);

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
  say(`list of ${atHand} jobs, its first page there and read`, lists.slice(2), 'limit 100 ms', [100]);
  say(`one of ${atHand} jobs found by a word`, searches.slice(2), 'limit 100 ms', [100]);
});
limits.tell();
