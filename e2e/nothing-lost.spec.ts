import { execFileSync } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { expect, fill, openJob, saved, test } from './endrel.ts';

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
  await expect(page.getByText('The depth is not understood..')).toHaveCount(0);
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

test('what was typed 100 ms before the browser is killed is there when it is started again', async ({ server }) => {
  const profile = await mkdtemp(path.join(os.tmpdir(), 'endrel-profile-'));
  const start = () => chromium.launchPersistentContext(profile, { executablePath: process.env.CHROMIUM, baseURL: server.address }); // prettier-ignore
  try {
    const before = await start();
    const page = await before.newPage();
    await openJob(page, 'Mail van 4', 'Survey');
    await page.getByLabel(/^Tank depth/).fill('');
    await page.getByLabel(/^Tank depth/).pressSequentially('9 1/');
    await page.getByLabel(/^Outlet height/).fill('');
    await page.getByLabel(/^Outlet height/).pressSequentially('31 mm');
    await new Promise((resolve) => setTimeout(resolve, 100));
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
