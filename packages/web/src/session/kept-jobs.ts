import type { StoredJob } from '@endrel/core/contract/api';
import { CURRENT_SCHEMA_VERSION } from '@endrel/core/job/schema-version';
import { database, type KeptJob } from './browser-database.ts';

const MOST = 60; // jobs; one is at most 2 MB
const PAUSE = 800; // ms without another

/** What is still to be written, the last of each job. */
const waiting = new Map<string, StoredJob>();
let timer: ReturnType<typeof setTimeout> | undefined;

/** Keeps a job as the server has it, for this browser to open it without the server. */
export function keepJob(stored: StoredJob): void {
  waiting.set(stored.id, stored);
  clearTimeout(timer);
  timer = setTimeout(() => void writeJobs(), PAUSE);
}
if (typeof document !== 'undefined') document.addEventListener('visibilitychange', () => void writeJobs());

/** Writes what waits at once. What cannot be kept is not said here: the page says so of what is typed. */
export async function writeJobs(): Promise<void> {
  clearTimeout(timer);
  if (waiting.size === 0) return;
  const jobs = [...waiting.values()];
  waiting.clear();
  try {
    const db = await database();
    const keptAt = new Date().toISOString();
    const tx = db.transaction(['jobs', 'kept', 'results'], 'readwrite');
    await Promise.all(jobs.map((job) => tx.objectStore('jobs').put({ ...job, keptAt })));
    const all = await tx.objectStore('jobs').getAll();
    if (all.length > MOST) {
      // those that hold something unsent stay
      const unsent = new Set((await tx.objectStore('kept').getAllKeys()).map(([job]) => job));
      const oldest = all.filter(({ id }) => !unsent.has(id)).sort((a, b) => a.keptAt.localeCompare(b.keptAt));
      const dropped = oldest.slice(0, all.length - MOST);
      // what was said of a job goes with it
      await Promise.all(
        dropped.flatMap(({ id }) => [tx.objectStore('jobs').delete(id), tx.objectStore('results').delete(id)]),
      );
    }
    await tx.done;
  } catch {
    // opening without the server is then not possible; nothing else is lost
  }
}

/** A job as this browser has it, brought to the current shape; `undefined` where it has none that can be read. */
export async function loadJob(id: string): Promise<StoredJob | undefined> {
  const kept = await find(id);
  if (!kept || kept.document.schemaVersion === CURRENT_SCHEMA_VERSION) return kept;
  const { readJobFile } = await import('@endrel/core/job/read-job-file');
  const read = readJobFile(JSON.stringify(kept.document));
  return read.ok ? { ...kept, document: read.value.job } : undefined;
}

async function find(id: string): Promise<KeptJob | undefined> {
  try {
    await writeJobs();
    return await (await database()).get('jobs', id);
  } catch {
    return undefined;
  }
}

/** A job that can be opened here without the server. */
export interface JobAtHand {
  readonly id: string;
  readonly name: string;
  readonly vehicle: string;
  readonly keptAt: string;
  /** Acts that the server does not have yet. */
  readonly unsent: number;
}

/** Jobs that this browser can open without the server, the last kept first. */
export async function jobsAtHand(): Promise<JobAtHand[]> {
  try {
    await writeJobs();
    const db = await database();
    const [jobs, kept] = await Promise.all([db.getAll('jobs'), db.getAll('kept')]);
    return jobs
      .map(({ id, document: { name, vehicle }, keptAt }) => ({
        id,
        name,
        vehicle,
        keptAt,
        unsent: kept.filter((k) => k.job === id).reduce((sum, k) => sum + k.pending.length, 0),
      }))
      .sort((a, b) => b.keptAt.localeCompare(a.keptAt));
  } catch {
    return [];
  }
}

/** A job that the server has no more: nothing of it is kept here either, sent or not. */
export async function forgetJob(id: string): Promise<void> {
  waiting.delete(id);
  try {
    const db = await database();
    const tx = db.transaction(['jobs', 'kept', 'steps', 'typed', 'attachments', 'results'], 'readwrite');
    const jobs = await tx.objectStore('jobs').getAll();
    const digest = digestOf(jobs.find((job) => job.id === id));
    const others = jobs.filter((job) => job.id !== id).map(digestOf);
    await Promise.all([
      tx.objectStore('jobs').delete(id),
      tx.objectStore('results').delete(id),
      ...(['kept', 'steps', 'typed'] as const).map((store) =>
        tx.objectStore(store).delete(IDBKeyRange.bound([id], [id, []])),
      ),
      ...(digest !== undefined && !others.includes(digest) ? [tx.objectStore('attachments').delete(digest)] : []),
    ]);
    await tx.done;
  } catch {
    // a browser that keeps nothing has nothing to forget
  }
}

const digestOf = (job: KeptJob | undefined): string | undefined => job?.document.survey?.tank?.mesh?.digest;

/** Forgets of the jobs that this browser keeps those that were deleted for good. */
export async function forgetGone(gone: readonly string[]): Promise<void> {
  const ids = new Set(gone);
  try {
    const db = await database();
    const [jobs, kept, typed] = await Promise.all([
      db.getAllKeys('jobs'),
      db.getAllKeys('kept'),
      db.getAllKeys('typed'),
    ]);
    for (const id of new Set([...jobs, ...kept.map(([job]) => job), ...typed.map(([job]) => job)]))
      if (ids.has(id)) await forgetJob(id);
  } catch {
    // as above
  }
}
