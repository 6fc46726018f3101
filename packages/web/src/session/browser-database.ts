import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Assessment } from '@endrel/core/assessment/assess';
import type { Said } from '@endrel/core/assessment/assessment-change';
import type { StoredJob } from '@endrel/core/contract/api';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Kept } from './kept.ts';

/** Text in a field that the job does not have yet. */
export interface TypedText {
  readonly path: FieldPath;
  readonly text: string;
  /** What the field showed before it was typed: where that is another by now, the text is not handed over by itself. */
  readonly was: string;
}
export type Owned<T> = T & { readonly job: string; readonly client: string };
/** A job as the server had it when this browser last heard, for it to be opened without the server. */
export interface KeptJob extends StoredJob {
  readonly keptAt: string;
}

/** An assessment without the job itself, of one revision, by one build: another may say it in another shape. */
export interface KeptResult {
  readonly id: string;
  readonly revision: number;
  readonly build: string;
  readonly assessment: {
    readonly findings: Said;
    readonly snags: Assessment['snags'];
  };
}

export interface Stores extends DBSchema {
  /** What the server does not have, by job and page. */
  kept: { key: [job: string, client: string]; value: Owned<Pick<Kept, 'pending' | 'refused'>> };
  /** The steps of undo, which may be large and change with every act: written when there is a pause. */
  steps: { key: [job: string, client: string]; value: Owned<Pick<Kept, 'past' | 'future'>> };
  typed: { key: [job: string, client: string, field: string]; value: Owned<TypedText> & { field: string } };
  attachments: { key: string; value: string };
  jobs: { key: string; value: KeptJob };
  /** What was said of a job at the last visit. */
  results: { key: string; value: KeptResult };
}

let opened: Promise<IDBPDatabase<Stores>> | undefined;

/** What this browser keeps for Endrel. Rejects where its storage is full or forbidden. */
export const database = (): Promise<IDBPDatabase<Stores>> =>
  (opened ??= openDB<Stores>('endrel', 4, {
    upgrade(db, before, _now, tx) {
      if (before < 1) {
        db.createObjectStore('kept', { keyPath: ['job', 'client'] });
        db.createObjectStore('attachments');
      }
      if (before < 2) {
        db.createObjectStore('steps', { keyPath: ['job', 'client'] });
        db.createObjectStore('typed', { keyPath: ['job', 'client', 'field'] });
      }
      if (before < 3) db.createObjectStore('jobs', { keyPath: 'id' });
      db.createObjectStore('results', { keyPath: 'id' });
      if (before === 1) void partSteps(tx);
    },
    // another page wants a newer version: give way, this page opens anew when it writes again
    blocking: () => {
      const before = opened;
      opened = undefined;
      void before?.then((db) => db.close());
    },
    // the browser closed it by itself, such as when its storage was cleared
    terminated: () => (opened = undefined),
  }));

/** The next that asks for it opens it anew. */
export const reopen = (): void => void (opened = undefined);

type Upgrade = Parameters<NonNullable<Parameters<typeof openDB<Stores>>[2]>['upgrade'] & object>[3];

/** Pages of version 1 kept all in one record. */
async function partSteps(tx: Upgrade): Promise<void> {
  for (const { job, client, pending, ...rest } of await tx.objectStore('kept').getAll()) {
    const { past = [], future = [] } = rest as Partial<Kept>;
    await tx.objectStore('kept').put({ job, client, pending, refused: [] });
    await tx.objectStore('steps').put({ job, client, past, future });
  }
}
