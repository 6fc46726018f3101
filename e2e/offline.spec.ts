import http from 'node:http';
import type { AddressInfo } from 'node:net';
import type { BrowserContext } from '@playwright/test';
import { expect, fill, onDisk, saved, tab, test, toStage, type Page } from './endrel.ts';

test.use({ serviceWorkers: 'allow' });

/** Waits until the application is kept in this browser. */
const kept = (context: BrowserContext) =>
  expect
    .poll(
      async () => {
        const page = context.pages()[0]!;
        return page.evaluate(async () => {
          const registration = await navigator.serviceWorker.getRegistration();
          return registration?.active?.state;
        });
      },
      { timeout: 30_000 },
    )
    .toBe('activated');

test('once opened, the application opens without its server, with every stage, and what is done is sent later', async ({
  page,
  context,
  server,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Mail van 4' }).click();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  await kept(context);
  await onDisk(page, 'jobs', 'Mail van 4'); // kept in a pause
  await onDisk(page, 'results', 'revision');
  await server.stop();

  // the list says at once that the server is away, and shows what is kept here
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'The server does not answer' })).toBeVisible({ timeout: 15_000 });
  const list = page.getByRole('list', { name: 'Jobs kept in this browser' });
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expect(list).toContainText('Pellit Post van');
  await list.getByRole('link', { name: 'Mail van 4' }).click();
  await expect(page.locator('[data-save="offline"]')).toBeVisible();

  // every stage, its tabs and its charts: no part of the application is missing
  for (const stage of [
    'Brief',
    'Survey',
    'Layout',
    'Pump & hanger',
    'Run',
    'Joints',
    'Gauge',
    'Routes',
    'Wiring',
    'Cards',
  ] as const) {
    await toStage(page, stage);
    const names = await page.getByRole('main').getByRole('tab').allTextContents();
    for (const name of names) await tab(page, name);
    await expect(page.getByRole('main')).toBeVisible();
  }
  await toStage(page, 'Survey');
  await tab(page, 'Heights and lines');
  await fill(page, /^Tank depth/, '9 1/4 in');
  await expect(page.getByText(/= 23[45](\.9)? mm/).first()).toBeVisible();

  // a reload, still without the server
  await page.reload();
  await expect(page.getByLabel(/^Tank depth/).first()).toHaveValue('9 1/4 in');
  await page.goto('/');
  await expect(page.getByText('one change still to be sent')).toBeVisible();

  // the PDF alone is made by the server: that is said
  await page.getByRole('link', { name: 'Mail van 4' }).click();
  await toStage(page, 'Pump & hanger');
  await tab(page, 'Plate');
  const pdf = page.getByRole('button', { name: 'PDF' });
  if (await pdf.isVisible()) {
    await pdf.click();
    await expect(page.getByRole('alert')).toContainText('The PDF is made by the server, which does not answer');
  }

  await server.restart();
  await saved(page);
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Copy: Mail van 4: injected two-litre' })).toBeVisible();
  const stored = await page.evaluate(async () => {
    const { jobs } = (await (await fetch('/api/jobs')).json()) as { jobs: { id: string; name: string }[] };
    const id = jobs.find((j) => j.name.startsWith('Mail van'))!.id;
    return (await (await fetch(`/api/jobs/${id}`)).json()) as { document: { survey: { tank: { depth: unknown } } } };
  });
  expect(stored.document.survey.tank.depth).toMatchObject({ typed: '9 1/4 in', unit: 'in' });
});

test('the application can be installed', async ({ page, context }) => {
  await page.goto('/');
  await kept(context);
  const manifest = await page.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>('link[rel="manifest"]')!;
    return (await (await fetch(link.href)).json()) as {
      name: string;
      display: string;
      icons: { src: string; sizes: string }[];
    };
  });
  expect(manifest).toMatchObject({ name: 'Endrel', display: 'standalone' });
  for (const size of ['192x192', '512x512']) {
    const icon = manifest.icons.find((i) => i.sizes === size)!;
    const drawn = await page.evaluate(async (src) => {
      const image = new Image();
      image.src = src;
      await image.decode();
      return `${image.naturalWidth}x${image.naturalHeight}`;
    }, icon.src);
    expect(drawn).toBe(size);
  }
});

/** The server as it is, but for its service worker, which can be made another as a newly built application has it. */
async function proxied(address: string): Promise<{ address: string; renew(): void; close(): void }> {
  let version = 1;
  const { hostname, port, host } = new URL(address);
  const proxy = http.createServer((req, res) => {
    // whole, not “unchanged since”: the end that is put on here the server does not know of
    const { 'if-none-match': _tag, 'if-modified-since': _date, ...asked } = req.headers;
    const headers = { ...asked, host, 'accept-encoding': 'identity' };
    const onward = http.request({ hostname, port, path: req.url, method: req.method, headers }, (answer) => {
      const isWorker = req.url === '/service-worker.js';
      const { 'content-length': _length, ...headers } = answer.headers;
      res.writeHead(answer.statusCode!, isWorker ? headers : answer.headers);
      answer.on('data', (chunk) => res.write(chunk));
      answer.on('end', () => res.end(isWorker ? `\n// version ${version}` : undefined));
    });
    onward.on('error', () => res.destroy());
    req.pipe(onward);
  });
  await new Promise<void>((done) => proxy.listen(0, '127.0.0.1', done));
  return {
    address: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`,
    renew: () => version++,
    close: () => {
      proxy.closeAllConnections();
      proxy.close();
    },
  };
}

test('a newer version is loaded when the person says so, not under a hand', async ({ browser, server }) => {
  const proxy = await proxied(server.address);
  const context = await browser.newContext({ baseURL: proxy.address, serviceWorkers: 'allow' });
  const isSame = (page: Page) => page.evaluate(() => 'isSamePage' in window).catch(() => true);
  try {
    const [page, other] = [await context.newPage(), await context.newPage()];
    await page.goto('/');
    await kept(context);
    for (const each of [page, other]) {
      await each.goto('/'); // under the worker's hand from now on
      await expect(each.getByRole('heading', { name: 'Mail van 4' })).toBeVisible();
      await each.evaluate(() => void Object.assign(window, { isSamePage: true }));
    }
    proxy.renew();
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update());
    await expect(page.getByRole('status').filter({ hasText: 'A newer Endrel is ready' })).toBeVisible({
      timeout: 20_000,
    });
    expect(await isSame(page)).toBe(true); // nothing was loaded by itself
    await page.getByRole('button', { name: 'Load it now' }).click();
    await expect.poll(() => isSame(page)).toBe(false);
    await expect(page.getByRole('heading', { name: 'Mail van 4' })).toBeVisible();
    await expect(page.getByText('A newer Endrel is ready')).toHaveCount(0);
    // the page beside it is told, and left alone
    await expect(other.getByRole('status').filter({ hasText: 'runs a newer Endrel' })).toBeVisible();
    expect(await isSame(other)).toBe(true);
  } finally {
    await context.close();
    proxy.close();
  }
});
