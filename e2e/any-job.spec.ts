import { actsOf, type Dice } from '../packages/core/test/any-edit.ts';
import { casesOf, seedOf } from '../packages/core/test/search.ts';
import { seeded } from '../packages/core/test/seeded.ts';
import { demoJobs } from '../packages/core/src/demo/index.ts';
import { applyAct } from '../packages/core/src/acts/apply-act.ts';
import { readJobDocument } from '../packages/core/src/job/read-job-file.ts';
import { partKinds, type Part, type PartKind } from '../packages/core/src/parts/kinds.ts';
import type { Job } from '../packages/core/src/job/job.ts';
import { stageTabs } from '../packages/web/src/screens/job/stage-tabs.ts';
import { stageList } from '../packages/web/src/screens/job/stages.ts';
import { expect, test, type Page } from './endrel.ts';

const JOBS = casesOf(20);
const SEED = seedOf(20_261_201);
const EDITS = 10;

const dice = seeded(SEED);
const throws = (): Dice => [dice(), dice(), dice(), dice(), dice()];

/** A demo job after random edits, such that a job file holds it. */
function anyJob(i: number): Job {
  const all = Object.values(demoJobs);
  const from = all[i % all.length]!;
  const job = actsOf(from, Array.from({ length: EDITS }, throws)).at(-1)?.after ?? from;
  const read = readJobDocument(JSON.parse(JSON.stringify(job)));
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return read.value.job;
}

/** Every kind of part beside the run at once, joined to nothing. */
const withEverythingBeside = (job: Job): Job =>
  (Object.keys(partKinds) as PartKind[])
    .filter((kind) => kind !== 'tank')
    .reduce(
      (done, kind) => applyAct(done, { act: 'addPart', part: { kind, id: `beside-${kind.toLowerCase()}` } as Part }),
      job,
    );

async function opened(page: Page, address: string, job: Job): Promise<string> {
  const made = await fetch(`${address}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ document: job }),
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/jobs/${id}/brief`);
  await expect(page.locator('[data-reckoning="judged"]')).toBeVisible({ timeout: 20_000 });
  return id;
}

/** Goes there as a link does, without loading the page anew. */
async function goTo(page: Page, address: string): Promise<void> {
  await page.evaluate((to) => {
    window.history.pushState(null, '', to);
    window.dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, address);
  await expect(page.getByRole('main')).not.toContainText('Fetching this stage');
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

/** Words of one small and one large letter that are units, and so no keys: kPa, mA, kΩ, kWh, mV, pH. */
const UNIT = /^(?:[a-zµ]{1,2}[A-Z][a-z]?|kWh|inHg)$/;

/** Keys and ids of the program that stand in a text which a person reads: `hoseEnd`, `flare37`, `pump-1`, `row-ae24711c`. */
function rawIn(text: string, { parts, joints, wiring }: Job): string[] {
  const ids = new Set([
    ...Object.keys(parts),
    ...Object.keys(joints),
    ...(wiring?.devices ?? []).map((d) => d.id),
    ...(wiring?.wires ?? []).map((w) => w.id),
  ]);
  const named = new Set(Object.values(parts).flatMap((p) => (p.label ?? '').split(/\s+/)));
  const words = text.split(/[\s,;:.()“”"]+/);
  return [
    ...new Set(
      words.filter(
        (word) =>
          !named.has(word) &&
          (ids.has(word) ||
            /^(?:flare37|flare45|orb|hoseend|tubeend|row-[0-9a-f]+|NaN|undefined)$/.test(word) ||
            (/^[a-z]+[A-Z][a-zA-Z]*$/.test(word) && !UNIT.test(word))),
      ),
    ),
  ];
}

/** All that stands on the page, hidden words for screen readers too, each piece of text by itself. */
function allText(): string {
  const nodes = document.createTreeWalker(document.getElementById('root')!, NodeFilter.SHOW_TEXT);
  const found: string[] = [];
  while (nodes.nextNode()) found.push(nodes.currentNode.textContent ?? '');
  return found.join('\n');
}

/** Walks every stage and tab, with a part chosen and without; @returns what is wrong, each with where. */
async function walk(page: Page, id: string, job: Job): Promise<string[]> {
  const wrong: string[] = [];
  const ids = [...Object.keys(job.parts), ...(job.wiring?.devices ?? []).map((d) => d.id)];
  for (const { key } of stageList) {
    const tabs = Object.keys(stageTabs[key]);
    for (const name of tabs.length > 0 ? tabs : [''])
      for (const part of ids.length > 0 ? [undefined, ids[Math.floor(dice() * ids.length)]!] : [undefined]) {
        const search = new URLSearchParams({ ...(name ? { tab: name } : {}), ...(part ? { part } : {}) }).toString();
        const at = `${key}?${search}`;
        await goTo(page, `/jobs/${id}/${at}`);
        const raw = rawIn(await page.evaluate(allText), job);
        if (raw.length > 0) wrong.push(`${at}: “${raw.join('”, “')}” is no word of the trade`);
        const found = await page.evaluate(() => {
          const { scrollWidth, scrollHeight } = document.documentElement;
          return {
            failed: [...document.querySelectorAll('[data-boundary]')].map((e) => (e as HTMLElement).innerText),
            over: [scrollWidth - window.innerWidth, scrollHeight - window.innerHeight],
          };
        });
        for (const text of found.failed) wrong.push(`${at}: ${text}`);
        if (found.over[0]! > 0) wrong.push(`${at}: ${found.over[0]} px too wide`);
        const isDesk = page.viewportSize()!.width > 1000; // a telephone scrolls the page itself
        if (isDesk && found.over[1]! > 0) wrong.push(`${at}: ${found.over[1]} px too high`);
      }
  }
  return wrong;
}

const sizes = {
  desk: { width: 1280, height: 800 },
  narrow: { width: 1024, height: 768 },
  phone: { width: 390, height: 844 },
};

test('every stage and tab of random jobs is drawn, at a desk and on a telephone, and nothing scrolls the whole page away', async ({
  page,
  server,
}) => {
  test.setTimeout(60_000 + JOBS * 60_000);
  for (let i = 0; i < JOBS; i++) {
    const job = anyJob(i);
    await page.setViewportSize(sizes.desk);
    const id = await opened(page, server.address, job);
    for (const size of ['desk', 'phone'] as const) {
      await page.setViewportSize(sizes[size]);
      expect(await walk(page, id, job), `job ${i} from seed ${SEED}, ${size}`).toEqual([]);
    }
  }
  await goTo(page, '/');
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
    'the list on a telephone',
  ).toBeLessThanOrEqual(0);
});

test('with every kind of part beside the run all is drawn, the demo job itself at 1024 px too', async ({
  page,
  server,
}) => {
  test.setTimeout(120_000);
  const full = withEverythingBeside(demoJobs.mailVan);
  const id = await opened(page, server.address, full);
  expect(await walk(page, id, full)).toEqual([]);
  await page.setViewportSize(sizes.narrow);
  const own = await opened(page, server.address, demoJobs.sprintCar);
  expect(await walk(page, own, demoJobs.sprintCar)).toEqual([]);
});
