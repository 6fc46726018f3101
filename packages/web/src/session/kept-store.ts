import type { IDBPTransaction } from 'idb';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { database, reopen, type Stores, type TypedText } from './browser-database.ts';
import { keptOf, nothingKept, type Kept } from './kept.ts';
import { Listeners } from './listeners.ts';

type Transaction = IDBPTransaction<Stores, ('kept' | 'steps' | 'typed')[], 'readwrite'>;
type Write = (tx: Transaction) => Promise<unknown>;

const STEPS_PAUSE = 250; // ms
/** What is still to be written, the last for each record; all that waits goes in one transaction. */
const waiting = new Map<string, Write>();
let writing: Promise<void> | undefined;

function write(key: string, make: Write): void {
  waiting.delete(key);
  waiting.set(key, make);
  writing ??= drain().finally(() => (writing = undefined));
}

async function drain(): Promise<void> {
  while (waiting.size > 0) {
    // what one edit hands over goes together: text leaves its field in the transaction that keeps the act
    let writes: [string, Write][] = [];
    try {
      const db = await database();
      writes = [...waiting];
      waiting.clear();
      // strict: on the disk, not merely on its way there
      const tx = db.transaction(['kept', 'steps', 'typed'], 'readwrite', { durability: 'strict' });
      const all = Promise.all(writes.map(([, make]) => make(tx)));
      tx.commit(); // now, also when the page goes in this very moment
      await Promise.all([all, tx.done]);
      tell(true);
    } catch (error) {
      if (writes.length > 0 && (error as DOMException).name === 'InvalidStateError') {
        // it was closed meanwhile: once more, but for what has been written anew since
        reopen();
        for (const [key, make] of writes) if (!waiting.has(key)) waiting.set(key, make);
        continue;
      }
      // storage is full or forbidden: saving to the server still runs, and the page says so
      reopen();
      waiting.clear();
      tell(false);
    }
  }
}

let isKept = true;
const listeners = new Listeners();
function tell(now: boolean): void {
  if (isKept === now) return;
  isKept = now;
  listeners.tell();
}
/** Whether this browser keeps what it is told to: its storage may be full or forbidden. */
export const keeping = {
  get: (): boolean => isKept,
  subscribe: listeners.subscribe,
};

/** Waits until all that was handed over is on the disk. */
export async function written(): Promise<void> {
  flushSteps();
  while (writing) await writing;
}

let lateSteps: { readonly key: string; readonly make: Write } | undefined;
let stepsTimer: ReturnType<typeof setTimeout> | undefined;
function flushSteps(): void {
  clearTimeout(stepsTimer);
  if (lateSteps) write(lateSteps.key, lateSteps.make);
  lateSteps = undefined;
}
if (typeof document !== 'undefined') document.addEventListener('visibilitychange', flushSteps);

/** Keeps what one page on one job has not saved yet, and its steps of undo. What is handed over is not changed afterwards. */
export function keep(job: string, client: string, { pending, refused, past, future }: Kept): void {
  const key = `${job}/${client}`;
  write(`kept ${key}`, (tx) =>
    pending.length + refused.length === 0
      ? tx.objectStore('kept').delete([job, client])
      : tx.objectStore('kept').put({ job, client, pending, refused }),
  );
  if (lateSteps?.key !== `steps ${key}`) flushSteps(); // of another job
  lateSteps = { key: `steps ${key}`, make: (tx) => tx.objectStore('steps').put({ job, client, past, future }) };
  clearTimeout(stepsTimer);
  stepsTimer = setTimeout(flushSteps, STEPS_PAUSE);
}

let page = '';
/** Whose typing is kept from now on. */
export const keepFor = (client: string): void => void (page = client);

export function keepTyped(job: string, path: FieldPath, typed: TypedText | undefined): void {
  const [client, field] = [page, path.join('/')];
  write(`typed ${job}/${client}/${field}`, (tx) =>
    typed
      ? tx.objectStore('typed').put({ ...typed, job, client, field })
      : tx.objectStore('typed').delete([job, client, field]),
  );
}

export interface Found {
  readonly kept: Kept;
  readonly typed: readonly TypedText[];
}
export const nothingFound: Found = { kept: nothingKept, typed: [] };
const all = (job: string) => IDBKeyRange.bound([job], [job, []]);

/** What a page kept of a job. */
export async function loadKept(job: string, client: string): Promise<Found> {
  try {
    await written();
    const db = await database();
    const [own, steps, typed] = await Promise.all([
      db.get('kept', [job, client]),
      db.get('steps', [job, client]),
      db.getAll('typed', IDBKeyRange.bound([job, client], [job, client, []])),
    ]);
    return { kept: keptOf({ ...own, ...steps }), typed };
  } catch {
    return nothingFound; // what cannot be read is worth less than a page that opens
  }
}

/**
 * What pages that are gone had not saved of a job, in order. Call `forget` once it is kept elsewhere: acts that are found twice
 * until then have the same ids, and are done once.
 *
 * @param isGone - whether no page with that name is open any more.
 */
export async function loadGone(
  job: string,
  client: string,
  isGone: (client: string) => Promise<boolean>,
): Promise<Found & { forget(): void }> {
  try {
    const db = await database();
    const [kept, typed] = await Promise.all([db.getAll('kept', all(job)), db.getAll('typed', all(job))]);
    const others = [...new Set([...kept, ...typed].map((k) => k.client))].filter((c) => c !== client);
    const areGone = await Promise.all(others.map(isGone));
    const gone = new Set(others.filter((_, i) => areGone[i]));
    const theirs = kept.filter((k) => gone.has(k.client));
    const texts = typed.filter((t) => gone.has(t.client));
    return {
      kept: keptOf({ pending: theirs.flatMap((k) => k.pending), refused: theirs.flatMap((k) => k.refused) }),
      typed: texts,
      forget() {
        // behind what is waiting to be written, or with it: never before
        for (const other of gone)
          write(`gone ${job}/${other}`, (tx) =>
            Promise.all([
              tx.objectStore('kept').delete([job, other]),
              tx.objectStore('steps').delete([job, other]),
              ...texts
                .filter((t) => t.client === other)
                .map((t) => tx.objectStore('typed').delete([job, other, t.field])),
            ]),
          );
      },
    };
  } catch {
    return { ...nothingFound, forget: () => undefined };
  }
}

export async function keepAttachment(digest: string, text: string): Promise<void> {
  await (await database()).put('attachments', text, digest).catch(() => undefined);
}

export const loadAttachment = async (digest: string): Promise<string | undefined> =>
  (await database()).get('attachments', digest).catch(() => undefined);
