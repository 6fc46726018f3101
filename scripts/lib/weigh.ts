import type { Browser } from '@playwright/test';

interface Weight {
  /** Bytes of script over the wire, compressed; workers are fetched beside the page and are not in it. */
  readonly script: number;
  readonly all: number;
  /** Largest first. */
  readonly files: readonly (readonly [path: string, bytes: number])[];
}

/** What a first visit to an address needs, nothing being kept in the browser: not what it fetches once it is quiet. */
export async function weigh(browser: Browser, address: string): Promise<Weight> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const files = new Map<string, number>();
  const waiting: Promise<void>[] = [];
  context.on('response', (response) => {
    if (response.url().endsWith('/feed')) return; // it never ends
    const size = response.request().sizes();
    waiting.push(
      size.then(({ responseBodySize }) => void files.set(response.url(), responseBodySize)).catch(() => undefined),
    );
  });
  const page = await context.newPage();
  await page.goto(address);
  await page.locator('h1, h2').first().waitFor();
  await page.waitForFunction(() => performance.getEntriesByName('quiet').length > 0);
  const needed = new Set(
    await page.evaluate(() => {
      const quiet = performance.getEntriesByName('quiet')[0]!.startTime;
      const before = performance.getEntriesByType('resource').filter((entry) => entry.startTime < quiet);
      return [location.href, ...before.map((entry) => entry.name)];
    }),
  );
  await Promise.all(waiting);
  await context.close();
  const list = [...files]
    .filter(([url]) => needed.has(url))
    .map(([url, size]) => [new URL(url).pathname, size] as const)
    .sort((a, b) => b[1] - a[1]);
  const sum = (of: typeof list) => of.reduce((total, [, size]) => total + size, 0);
  return { script: sum(list.filter(([name]) => name.endsWith('.js'))), all: sum(list), files: list };
}
