import type { EditReckoner } from './edit-reckoner.ts';
import type { LongCalculator } from './long-calculator.ts';
import { LongPool } from './long-pool.ts';
import { LongWorker } from './long-worker.ts';
import { Reviving } from './reviving.ts';

const thread = () => new Worker(new URL('./calc.worker.ts', import.meta.url), { type: 'module' });

const editing = new Reviving(thread);
/** The worker that holds the job and follows every edit. One that dies fails what it was asked, and the next call starts another. */
export const editReckoner: Promised<EditReckoner> = {
  holdAttachment: (...args) => editing.ask<EditReckoner>((worker) => worker.holdAttachment(...args)),
  hold: (...args) => editing.ask<EditReckoner>((worker) => worker.hold(...args)),
  act: (...args) => editing.ask<EditReckoner>((worker) => worker.act(...args)),
  warm: (...args) => editing.ask<EditReckoner>((worker) => worker.warm(...args)),
} as Promised<EditReckoner>;

type Promised<T> = {
  [K in keyof T]: T[K] extends (...args: infer A) => infer R ? (...args: A) => Promise<Awaited<R>> : never;
};

/** One for what goes on by steps, one for what is short; page and edits keep a core where there are more. */
const size = Math.max(2, Math.min(3, (navigator.hardwareConcurrency || 2) - 1));
const pool = new LongPool(() => new LongWorker(thread()), size);

export type Long = Promised<LongCalculator>;
/**
 * Workers for what takes longer: layouts, sizes, maps, previews. They never hold up an edit.
 *
 * @param signal - aborted once nobody waits for it any more: it is not begun then, or stopped.
 */
export const long = (signal?: AbortSignal): Long =>
  new Proxy({} as Long, {
    get:
      (_, name) =>
      (...args: unknown[]) =>
        pool.ask(String(name), args, signal),
  });

/** A file that a job names, for every worker. */
export const holdForAll = async (digest: string, text: string): Promise<void> => {
  await Promise.all([editReckoner.holdAttachment(digest, text), pool.tell('holdAttachment', digest, text)]);
};
