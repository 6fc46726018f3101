import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { nothingKept, type Kept, type PendingAct } from './pending.ts';

interface Stored extends DBSchema {
  /** By job and page. */
  kept: { key: [job: string, client: string]; value: Kept & { job: string; client: string } };
  attachments: { key: string; value: string };
}

let opened: Promise<IDBPDatabase<Stored>> | undefined;
const database = (): Promise<IDBPDatabase<Stored>> =>
  (opened ??= openDB<Stored>('endrel', 1, {
    upgrade(db) {
      db.createObjectStore('kept', { keyPath: ['job', 'client'] });
      db.createObjectStore('attachments');
    },
  }));

const isEmpty = ({ pending, past, future }: Kept) => pending.length + past.length + future.length === 0;

/** Writes go one after the other, so that the last one stands; none is lost to the one behind it. */
let writing: Promise<unknown> = Promise.resolve();

/** Keeps unsaved acts and the steps of undo of one page on one job. What is handed over is not changed afterwards. */
export function keep(job: string, client: string, kept: Kept): void {
  writing = writing
    .then(async () => {
      const db = await database();
      await (isEmpty(kept) ? db.delete('kept', [job, client]) : db.put('kept', { ...kept, job, client }));
    })
    .catch(() => undefined); // storage is full or forbidden: saving to the server still runs
}

/**
 * What this page kept of a job, and the unsaved acts of pages that are gone: those are taken over in order.
 *
 * @param isGone - whether no page with that name is open any more.
 */
export async function loadKept(
  job: string,
  client: string,
  isGone: (client: string) => Promise<boolean>,
): Promise<Kept> {
  try {
    await writing;
    const db = await database();
    const all = await db.getAll('kept', IDBKeyRange.bound([job], [job, []]));
    let own: Kept = nothingKept;
    const adopted: PendingAct[] = [];
    for (const { client: other, pending, past, future } of all) {
      if (other === client) own = { pending, past, future };
      else if (pending.length > 0 && (await isGone(other))) {
        adopted.push(...pending);
        await db.delete('kept', [job, other]);
      }
    }
    if (adopted.length === 0) return own;
    const joined = { ...own, pending: [...adopted, ...own.pending] };
    keep(job, client, joined);
    await writing;
    return joined;
  } catch {
    return nothingKept; // what cannot be read is worth less than a page that opens
  }
}

export async function keepAttachment(digest: string, text: string): Promise<void> {
  await (await database()).put('attachments', text, digest).catch(() => undefined);
}

export const loadAttachment = async (digest: string): Promise<string | undefined> =>
  (await database()).get('attachments', digest).catch(() => undefined);
