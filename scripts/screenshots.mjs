// npm run screenshots [-- NAME …]: one current picture of each main view in docs/screenshots, from the demo data.
/* global document -- in the page */
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { withDemoApp } from './lib/demo-app.mjs';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { projectRoot } from './lib/project-root.mjs';

/** File, job (a part of its name), path below the job, and what is done before the picture. */
const views = [
  ['jobs'],
  ['brief', 'sprint', 'brief'],
  ['survey', 'Tarrow', 'survey'],
  ['layout', 'sprint', 'layout'],
  ['run', 'Tarrow', 'run?part=hose-2'],
  ['pump', 'sprint', 'run?part=pump-1&at=fullLoadHot'],
  ['heat', 'Hill rescue', 'run?tab=heat'],
  ['joints', 'Tarrow', 'joints?part=hard-line-1', undefined, { width: 1280, height: 1000 }],
  ['threads', undefined, 'threads?d=14.2&pitch=18tpi'],
  ['working', 'Mail', 'run', (page) => page.keyboard.press('w')],
  ['tank', 'Tarrow', 'survey?tab=tank', (page) => page.getByRole('button', { name: 'From behind' }).click()],
  ['hanger', 'Tarrow', 'hanger?tab=height'],
  ['gauge', 'Tarrow', 'gauge'],
  ['routes', 'Island', 'routes'],
  ['bends', 'Island', 'routes?tab=lines&part=hard-line-1', undefined, { width: 1280, height: 1100 }],
  ['wiring', 'Island', 'wiring?part=pump-controller-1', undefined, { width: 1280, height: 1000 }],
  ['cards', 'Mail', 'cards'],
  [
    'under-car',
    'Tarrow',
    'run?part=pump-1&at=idle',
    (page) => page.getByRole('button', { name: 'Under-car theme' }).click(),
  ],
  ['survey-phone', 'buggy', 'survey', undefined, { width: 390, height: 844 }],
];

const wanted = process.argv.slice(2);

/** Waits until all is reckoned and drawn: nothing on the page says that it is still to come. */
async function settled(page) {
  await page.waitForFunction(
    () => {
      const judged = document.querySelector('[data-reckoning]')?.getAttribute('data-reckoning') ?? 'judged';
      return judged === 'judged' && !/^…$|^Drawing |Not reckoned yet|^Loading/m.test(document.body.innerText);
    },
    undefined,
    { timeout: 120_000 },
  );
  await page.waitForTimeout(900); // what moves into its place has got there
}
await ensurePackages();
await withDemoApp(async ({ address, browser }) => {
  const folder = path.join(projectRoot, 'docs/screenshots');
  mkdirSync(folder, { recursive: true });
  const { jobs } = await (await fetch(`${address}/api/jobs`)).json();
  for (const [file, name, below, act, viewport = { width: 1280, height: 800 }] of views) {
    if (wanted.length > 0 && !wanted.includes(file)) continue;
    const page = await browser.newPage({ viewport, locale: 'en-GB' });
    const job = name && jobs.find((j) => j.name.includes(name)).id;
    await page.goto(`${address}${job ? `/jobs/${job}/${below}` : `/${below ?? ''}`}`);
    await settled(page);
    await act?.(page);
    await settled(page);
    await page.screenshot({ path: path.join(folder, `${file}.png`) });
    await page.close();
    console.log(`${file}.png`);
  }
});
