import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import pg from 'pg';
import { expect, expectAccessible, fill, onDisk, openJob, saved, test } from './endrel.ts';

test('a value that the server refuses stays in its field with the reason, after a reload too; all else is saved', async ({
  page,
}) => {
  await openJob(page, 'Mail van 4', 'Survey');
  // as a server of another version would: it does not read this one act
  await page.route('**/acts', (route) =>
    route.request().postData()?.includes('"depth"')
      ? route.fulfill({ status: 400, json: { code: 'invalid', message: 'The depth is not understood.' } })
      : route.continue(),
  );
  await fill(page, /^Tank depth/, '240 mm');
  await fill(page, /^Rail or carburettor height/, '600 mm');
  await saved(page);
  await expect(page.getByText('Not saved: The depth is not understood.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel(/^Rail or carburettor height/)).toHaveValue('600 mm');
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('240 mm');
  await expect(page.getByText('Not saved: The depth is not understood.')).toBeVisible();
  await page.unroute('**/acts');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('Not saved:')).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('240 mm');
});

test('two tabs of a job, the server away, one of them closed: what was typed in both is saved', async ({
  page,
  context,
  server,
}) => {
  await openJob(page, 'Mail van 4', 'Survey');
  const other = await context.newPage();
  await openJob(other, 'Mail van 4', 'Survey');
  await server.stop();
  await fill(page, /^Tank depth/, '241 mm');
  await fill(other, /^Rail or carburettor height/, '601 mm');
  await other.getByLabel(/^Outlet height/).fill('5 1/'); // and something that is no value yet
  await expect(other.locator('[data-save="offline"]')).toBeVisible();
  await other.close();
  await expect(page.getByLabel(/^Rail or carburettor height/)).toHaveValue('601 mm');
  await expect(page.getByLabel(/^Outlet height/)).toHaveValue('5 1/');
  await server.restart();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel(/^Tank depth/)).toHaveValue('241 mm');
  await expect(page.getByLabel(/^Rail or carburettor height/)).toHaveValue('601 mm');
  await expect(page.getByLabel(/^Outlet height/)).toHaveValue('5 1/');
});

test('what was typed just before the browser is killed is there when it is started again', async ({ server }) => {
  const profile = await mkdtemp(path.join(os.tmpdir(), 'endrel-profile-'));
  const start = () =>
    chromium.launchPersistentContext(profile, { executablePath: process.env.CHROMIUM, baseURL: server.address });
  try {
    const before = await start();
    const page = await before.newPage();
    await openJob(page, 'Mail van 4', 'Survey');
    await page.getByLabel(/^Tank depth/).fill('');
    await page.getByLabel(/^Tank depth/).pressSequentially('9 1/');
    await page.getByLabel(/^Outlet height/).fill('');
    await page.getByLabel(/^Outlet height/).pressSequentially('31 mm');
    await onDisk(page, 'typed', '31 mm'); // some 10 ms, long before a value is handed over
    execFileSync('pkill', ['-9', '-f', profile]);
    const after = await start();
    const again = await after.newPage();
    await openJob(again, 'Mail van 4', 'Survey');
    await expect(again.getByLabel(/^Tank depth/)).toHaveValue('9 1/');
    await expect(again.getByLabel(/^Outlet height/)).toHaveValue('31 mm');
    await saved(again);
    await after.close();
  } finally {
    await rm(profile, { recursive: true, force: true });
  }
});

test('a job that cannot be read shows as such in the list, can be had as a file, put away and deleted', async ({
  page,
  server,
}) => {
  const database = new pg.Client({ connectionString: server.databaseUrl });
  await database.connect();
  await database.query(
    `insert into jobs (shop_id, revision, document) select id, 1, '{"schemaVersion": 99, "name": "From the future"}' from shops`,
  );
  await database.end();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: '7 jobs' })).toBeVisible();
  const row = page.getByRole('listitem').filter({ hasText: 'From the future' });
  await expect(row).toContainText('This job cannot be read: schemaVersion is 99, newer than this Endrel reads');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    row.getByRole('button', { name: 'Save what is stored as a file' }).click(),
  ]);
  expect(JSON.parse(await readFile(await file.path(), 'utf8'))).toMatchObject({ schemaVersion: 99 });
  await expectAccessible(page);
  await row.getByRole('button', { name: /^Put away/ }).click();
  await expect(page.getByRole('heading', { name: '6 jobs' })).toBeVisible();
  await page.getByRole('button', { name: 'Show what is put away (1)' }).click();
  await row.getByRole('button', { name: /^Delete for good/ }).click();
  await row.getByRole('button', { name: 'Yes, erase it all' }).click();
  await expect(page.getByText('From the future')).toHaveCount(0);
});

test('a long history comes in pages', async ({ page, server }) => {
  const { jobs } = (await (await page.request.get(`${server.address}/api/jobs`)).json()) as {
    jobs: { id: string; name: string }[];
  };
  const job = jobs.find((j) => j.name.startsWith('Mail van 4'))!.id;
  for (let known = 1; known < 62; known++) {
    const act = { act: 'set', path: ['survey', 'tank', 'depth'], value: { si: 0.2 + known / 1e4, unit: 'mm' } };
    const data = { client: 'a', known, acts: [{ id: randomUUID(), base: known, act }] };
    expect((await page.request.post(`${server.address}/api/jobs/${job}/acts`, { data })).status()).toBe(200);
  }
  await openJob(page, 'Mail van 4', 'Survey');
  await page.getByTitle('Changes to this job').click();
  const rows = page.getByRole('dialog').getByRole('listitem');
  await expect(rows).toHaveCount(50);
  await page.getByRole('button', { name: 'Show more' }).click();
  await expect(rows).toHaveCount(62);
  await expect(rows.last()).toContainText('brought in from a job file');
  await expect(page.getByRole('button', { name: 'Show more' })).toHaveCount(0);
});

test('text typed before a crash does not overwrite what somebody else did since: the field asks', async ({
  page,
  context,
  browser,
  server,
}) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await page.getByLabel(/^Tank depth/).fill('9 1/16'); // a value in mm, handed over after a pause: the page goes before that
  await onDisk(page, 'typed', '9 1/16');
  await page.goto('about:blank');
  await page.close({ runBeforeUnload: false });
  const other = await (await browser.newContext({ baseURL: server.address })).newPage();
  await openJob(other, 'Mail van 4', 'Survey');
  await fill(other, /^Tank depth/, '250 mm');
  await saved(other);
  const again = await context.newPage();
  await openJob(again, 'Mail van 4', 'Survey');
  const depth = again.getByLabel(/^Tank depth/);
  await expect(depth).toHaveValue('9 1/16');
  await expect(again.getByText('Typed here before; the job holds 250 mm by now.')).toBeVisible();
  await depth.press('Escape');
  await expect(depth).toHaveValue('250 mm');
  await saved(again);
});

test('the page says what is kept while the database is away', async ({ page }) => {
  await openJob(page, 'Mail van 4', 'Survey');
  await page.route('**/acts', (route) =>
    route.fulfill({ status: 503, json: { code: 'away', message: 'The database cannot be reached at the moment.' } }),
  );
  await fill(page, /^Tank depth/, '242 mm');
  await expect(page.locator('[data-save="offline"]')).toContainText('kept in this browser, trying again by itself');
  await page.unroute('**/acts');
  await saved(page);
});

test('half a row of a table survives a reload, and is gone from the new row once it is in the table', async ({
  page,
}) => {
  await openJob(page, 'Mail van 4', 'Run');
  await page.goto(`${page.url().replace(/\?.*/, '')}?part=pump-1`);
  const rows = page.getByRole('button', { name: /^Remove row/ });
  await expect(rows.first()).toBeVisible();
  const before = await rows.count();
  const cell = (name: string) => page.getByLabel(`New row ${name}`).last();
  await cell('pressure').fill('650 kPa');
  await cell('pressure').press('Tab');
  await cell('current').fill('9');
  await onDisk(page, 'typed', '"text":"9"');
  await page.reload();
  await expect(cell('pressure')).toHaveValue('650 kPa');
  await expect(cell('current')).toHaveValue(/^9/);
  await cell('flow').fill('20 L/h');
  await cell('flow').press('Enter');
  await expect(rows).toHaveCount(before + 1);
  await saved(page);
  await page.reload();
  await expect(rows).toHaveCount(before + 1);
  for (const name of ['pressure', 'current', 'flow']) await expect(cell(name)).toHaveValue('');
});
