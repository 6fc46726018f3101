/**
 * What a first visit to an address fetches, nothing being kept in the browser: bytes as they come over the wire, compressed.
 *
 * @returns {Promise<{ script: number, all: number, files: [string, number][] }>} workers count among the script.
 */
export async function weigh(browser, address) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const files = new Map();
  const waiting = [];
  context.on('response', (response) => {
    if (response.url().endsWith('/feed')) return; // it never ends
    waiting.push(
      response
        .request()
        .sizes()
        .then(
          ({ responseBodySize }) => files.set(response.url(), responseBodySize),
          () => undefined,
        ),
    );
  });
  const page = await context.newPage();
  await page.goto(address);
  await page.locator('h1, h2').first().waitFor();
  await page.waitForTimeout(1000); // before the quiet moment in which the other stages are fetched
  await Promise.all(waiting);
  await context.close();
  const list = [...files].map(([url, size]) => [new URL(url).pathname, size]);
  const sum = (of) => of.reduce((total, [, size]) => total + size, 0);
  return {
    script: sum(list.filter(([name]) => name.endsWith('.js'))),
    all: sum(list),
    files: list.sort((a, b) => b[1] - a[1]),
  };
}
