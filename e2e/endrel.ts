import { spawn, type ChildProcess } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Page } from '@playwright/test';
import pg from 'pg';

const root = path.resolve(import.meta.dirname, '..');

/** A name of the server that is no secure context, as from another machine; the browser is told that it is this one. */
export const BENCH = 'bench.workshop';

interface Server {
  readonly address: string;
  readonly databaseUrl: string;
  /** Stops it as a lost connection would, and brings it back on the same port. */
  stop(): Promise<void>;
  restart(): Promise<void>;
}

async function startServer(databaseUrl: string, port: number): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn(process.execPath, ['packages/server/dist/main.js'], {
    cwd: root,
    env: {
      PATH: process.env.PATH,
      DATABASE_URL: databaseUrl,
      ENDREL_PORT: String(port),
      ENDREL_DEMO: 'yes',
      ENDREL_NAMES: BENCH,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/[\d.]+:\d+/.exec(chunk.toString())?.[0];
      if (found) resolve(found);
    });
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return { child, address };
}

const ended = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    child.once('exit', () => resolve());
    child.kill('SIGTERM');
  });

const admin = () => new URL(process.env.TEST_DATABASE_ADMIN_URL!);
const newName = (): string => `browser_${randomBytes(6).toString('hex')}`;
function addressOf(name: string): string {
  const url = admin();
  url.pathname = name;
  return url.href;
}
async function withAdmin<T>(ask: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: admin().href });
  await client.connect();
  try {
    return await ask(client);
  } finally {
    await client.end();
  }
}

/** Whether everything of every job in the list is reckoned. */
async function isReckoned(address: string): Promise<boolean> {
  const { jobs } = (await (await fetch(`${address}/api/jobs`)).json()) as { jobs: { isBehind: boolean }[] };
  return jobs.every((job) => !job.isBehind);
}

/** What tests change; the shop itself stays. */
const CHANGED = ['jobs', 'job_changes', 'readable_jobs', 'pumps', 'shelf_parts', 'benders', 'attachments'];

async function withDatabase<T>(databaseUrl: string, ask: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    return await ask(client);
  } finally {
    await client.end();
  }
}

/**
 * Keeps what the demo workshop holds. @returns the SQL that puts it back, its jobs under ids of their own each time: nothing that
 * a server remembers of a test meets the next one.
 */
const keepWorkshop = (databaseUrl: string): Promise<string> =>
  withDatabase(databaseUrl, async (client) => {
    await client.query(
      `create schema kept; ${CHANGED.map((t) => `create table kept.${t} as table public.${t};`).join(' ')}`,
    );
    const { rows } = await client.query<{ name: string; columns: string }>(
      `select table_name as name, string_agg(quote_ident(column_name), ', ') as columns from information_schema.columns
       where table_schema = 'public' and is_generated = 'NEVER' and table_name = any($1) group by table_name`,
      [CHANGED],
    );
    return `begin;
      set local session_replication_role = replica; -- a trigger keeps changes of jobs, and jobs stand before what refers to them
      ${CHANGED.map((table) => `delete from public.${table};`).join(' ')}
      create temp table ids on commit drop as select id as old, gen_random_uuid() as new from kept.jobs;
      update kept.job_changes set job_id = new from ids where job_id = old;
      update kept.readable_jobs set job_id = new from ids where job_id = old;
      update kept.jobs set id = new from ids where id = old;
      ${rows.map((t) => `insert into public.${t.name} (${t.columns}) select ${t.columns} from kept.${t.name};`).join(' ')}
      commit;`;
  });

interface Workshop {
  readonly address: string;
  readonly databaseUrl: string;
  /** Puts everything back as it was at first. */
  putBack(): Promise<unknown>;
  running: ChildProcess;
}

/** A worker's tests share a server; each finds the demo workshop as it was at first. */
export const test = base.extend<{ server: Server }, { workshop: Workshop }>({
  workshop: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the fixtures a fixture needs from this pattern
    async ({}, use) => {
      const name = newName();
      const databaseUrl = addressOf(name);
      await withAdmin((client) => client.query(`create database ${name}`));
      const { child, address } = await startServer(databaseUrl, 0);
      await expect.poll(() => isReckoned(address), { timeout: 60_000 }).toBe(true);
      const asItWas = await keepWorkshop(databaseUrl);
      const putBack = () => withDatabase(databaseUrl, (client) => client.query(asItWas));
      const workshop: Workshop = { address, databaseUrl, putBack, running: child };
      await use(workshop);
      if (workshop.running.exitCode === null) await ended(workshop.running);
      await withAdmin((client) => client.query(`drop database ${name} with (force)`));
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  server: async ({ workshop }, use) => {
    const { address, databaseUrl } = workshop;
    const restart = async () => {
      workshop.running = (await startServer(databaseUrl, Number(new URL(address).port))).child;
    };
    if (workshop.running.exitCode !== null || workshop.running.signalCode !== null) await restart(); // a test that failed left it stopped
    await workshop.putBack();
    await use({ address, databaseUrl, stop: () => ended(workshop.running), restart });
  },
  baseURL: async ({ server }, use) => use(server.address),
  page: async ({ page }, use) => {
    const faults: string[] = [];
    page.on('pageerror', (error) => faults.push(error.message));
    // what an error boundary catches reaches the console only; a refused or failed request is no fault of the page
    page.on('console', (message) => {
      if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
        faults.push(message.text());
    });
    await use(page);
    expect(faults, 'errors in the page').toEqual([]);
  },
});
export { expect, type Page };

const NARROW = 800; // px: below it the run is folded away

export type Stage =
  'Brief' | 'Survey' | 'Layout' | 'Pump & hanger' | 'Run' | 'Joints' | 'Gauge' | 'Routes' | 'Wiring' | 'Cards';

/** Goes to a stage and waits for it: what is focused, typed or looked for before it is there belongs to the one before. */
export async function toStage(page: Page, name: Stage): Promise<void> {
  const link = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name });
  await link.click();
  await expect(link).toHaveAttribute('aria-current', 'page');
  await expect(page.getByRole('main')).not.toContainText('Fetching this stage');
}

export const openJob = async (page: Page, name: string, stage: Stage) => {
  await page.goto('/');
  await page.getByRole('link', { name }).click();
  const stages = page.getByRole('navigation', { name: 'Stages' });
  // the job opens on a stage of its own choice; who clicks before that is there would be taken to it afterwards
  await expect(stages.locator('[aria-current="page"]')).toBeVisible();
  // and the run above them is fetched: as it comes it moves them down, away from under who clicks just then
  if (page.viewportSize()!.width > NARROW) await expect(page.locator('[data-part]').first()).toBeVisible();
  await toStage(page, stage);
};

/** Opens a page within a stage. */
export const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();

/** Waits until all that Endrel has to say of the job as it stands is said. */
export const reckoned = (page: Page) => expect(page.locator('[data-reckoning="judged"]')).toBeVisible();

/** Types into the field of this label and leaves it, as Tab does. */
export async function fill(page: Page, label: string | RegExp, text: string): Promise<void> {
  const field = page.getByLabel(label).first();
  await field.fill(text);
  await field.press('Tab');
}

/** Writes a file and hands it to the button that opens one. */
export async function giveFile(page: Page, button: string | RegExp, file: string, text: string): Promise<void> {
  await writeFile(file, text);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: button }).click(),
  ]);
  await chooser.setFiles(file);
}

/** Waits until the browser's own storage holds a text in one of its stores: what is kept there in a pause is then kept. */
export const onDisk = (page: Page, store: 'jobs' | 'results' | 'typed', text: string) =>
  expect
    .poll(
      () =>
        page.evaluate(async (name) => {
          const database = await new Promise<IDBDatabase>((resolve, reject) => {
            const opening = indexedDB.open('endrel');
            opening.onsuccess = () => resolve(opening.result);
            opening.onerror = () => reject(new Error(String(opening.error)));
          });
          const all = database.transaction(name).objectStore(name).getAll();
          const rows = await new Promise<unknown[]>((resolve) => (all.onsuccess = () => resolve(all.result)));
          database.close();
          return JSON.stringify(rows);
        }, store),
      { intervals: [20] },
    )
    .toContain(text);

/** Holds up what the page fetches until it is let go. @returns lets it go. */
export async function heldUp(page: Page, what: RegExp): Promise<() => void> {
  let letGo: () => void = () => undefined;
  const gone = new Promise<void>((resolve) => (letGo = resolve));
  await page.context().route(what, async (route) => {
    await gone;
    await route.continue();
  });
  return letGo;
}

export const saved = (page: Page) => expect(page.locator('[data-save="saved"]')).toBeVisible();
export const part = (page: Page, name: RegExp | string) =>
  page.getByRole('group', { name: /^The run (at|in one line)/ }).getByRole('button', { name });
export const snags = (page: Page) => page.getByRole('complementary', { name: 'Snags' });

const violationsOf = async (axe: AxeBuilder): Promise<string[]> =>
  (await axe.analyze()).violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
const axeOn = (page: Page, within: string | undefined): AxeBuilder => {
  const axe = new AxeBuilder({ page });
  return within === undefined ? axe : axe.include(within);
};

/** WCAG 2.2 AA as far as axe tells it. @param within - a part of the page alone, as a selector. */
export async function expectAccessible(page: Page, within?: string): Promise<void> {
  const axe = axeOn(page, within).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']);
  expect(await violationsOf(axe)).toEqual([]);
}

/** What a theme may spoil: that inks stand out from their paper. */
export async function expectContrast(page: Page, within?: string): Promise<void> {
  expect(await violationsOf(axeOn(page, within).withRules(['color-contrast']))).toEqual([]);
}
