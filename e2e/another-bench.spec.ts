import { BENCH, expect, fill, openJob, part, saved, snags, tab, test, toStage } from './endrel.ts';

// Endrel as another machine of the workshop sees it: over plain http, where browsers give a page less than on the machine itself.
test.use({
  launchOptions: {
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [`--host-resolver-rules=MAP ${BENCH} 127.0.0.1`],
  },
  baseURL: async ({ server }, use) => use(`http://${BENCH}:${new URL(server.address).port}`),
});

test('over plain http from another bench a job is made, filled in, saved, undone, wired, printed and found again', async ({
  page,
}) => {
  await page.goto('/');
  expect(await page.evaluate(() => [window.isSecureContext, 'locks' in navigator])).toEqual([false, false]);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Job', { exact: true }).fill('From the other bench');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByRole('heading', { name: 'From the other bench' })).toBeVisible();
  await openJob(page, 'Tarrow 30', 'Survey');
  await fill(page, /^Tank depth/, '231 mm');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel(/^Tank depth/).first()).toHaveValue('231 mm');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo:/ }).click();
  await expect(page.getByLabel(/^Tank depth/).first()).not.toHaveValue('231 mm');
  await saved(page);
  await toStage(page, 'Run');
  await page.getByRole('button', { name: 'Put a part beside the run' }).click();
  await page.getByRole('menuitem', { name: 'Check valve' }).click();
  await saved(page);
  await expect(snags(page).getByRole('heading', { level: 2 })).toContainText('to stop for');
  await toStage(page, 'Survey');
  await tab(page, 'Blocking off');
  await page.getByRole('button', { name: /^Add / }).first().click();
  await saved(page);
  await toStage(page, 'Wiring');
  await toStage(page, 'Cards');
  await toStage(page, 'Run');
  await expect(part(page, /^Hanger pump/)).toBeVisible();
});

test('a tab that was copied, and one that was closed before it was saved, keep apart and lose nothing', async ({
  page,
  context,
  server,
}) => {
  await openJob(page, 'Tarrow 30', 'Survey');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByLabel(/^Tank depth/).first()).toBeVisible();
  const names = () => Promise.all([page, other].map((p) => p.evaluate(() => sessionStorage.getItem('endrel:page'))));
  expect(new Set(await names()).size).toBe(2);
  // closed while the server is away: what it had not sent is taken over by the page that is left
  await server.stop();
  await fill(other, /^Tank depth/, '219 mm');
  await expect(other.locator('[data-save="offline"]')).toBeVisible();
  await other.close();
  await expect(page.getByLabel(/^Tank depth/).first()).toHaveValue('219 mm', { timeout: 15_000 });
  await server.restart();
  await saved(page);
});

test('twelve tabs of one browser save, and hear of each other', async ({ page, context, server }) => {
  test.slow();
  await openJob(page, 'Tarrow 30', 'Survey');
  const tabs = [page];
  while (tabs.length < 12) {
    const next = await context.newPage();
    await next.goto(page.url());
    await expect(next.getByLabel(/^Tank depth/).first()).toBeVisible();
    tabs.push(next);
  }
  for (const [i, one] of [tabs[0]!, tabs[6]!, tabs[11]!].entries()) {
    await fill(one, /^Tank depth/, `${221 + i} mm`);
    await saved(one);
    for (const other of tabs) await expect(other.getByLabel(/^Tank depth/).first()).toHaveValue(`${221 + i} mm`);
  }
  const stored = await fetch(`${server.address}/api${new URL(page.url()).pathname.replace(/\/[a-z]+$/, '')}`);
  expect(((await stored.json()) as { revision: number }).revision).toBe(4);
});

test('a copy that a browser kept goes when the job is deleted for good elsewhere', async ({ page, server }) => {
  await openJob(page, 'Tarrow 30', 'Survey');
  const id = /jobs\/([^/]+)/.exec(page.url())![1]!;
  const kept = () =>
    page.evaluate(
      (job) =>
        new Promise<boolean>((resolve, reject) => {
          const asked = indexedDB.open('endrel');
          asked.onerror = () => reject(new Error('not opened'));
          asked.onsuccess = () => {
            const db = asked.result;
            const found = db.transaction('jobs').objectStore('jobs').getKey(job);
            found.onsuccess = () => {
              db.close();
              resolve(found.result !== undefined);
            };
          };
        }),
      id,
    );
  await fill(page, /^Tank depth/, '231 mm');
  await saved(page);
  await expect.poll(kept).toBe(true);
  await page.goto('/');
  const send = (method: string, path: string, body?: string) =>
    fetch(`${server.address}/api/jobs/${id}${path}`, { method, body, headers: { 'Content-Type': 'application/json' } });
  await send('PUT', '/away', '{"away":true}');
  expect((await send('DELETE', '')).status).toBe(200);
  await expect.poll(kept).toBe(false);
});
