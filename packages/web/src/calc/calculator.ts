import * as Comlink from 'comlink';
import type { EditReckoner } from './edit-reckoner.ts';
import type { LongCalculator } from './long-calculator.ts';
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

/** The worker for what takes longer: layouts, sizes, maps, previews. It never holds up an edit. */
export const longCalculator = Comlink.wrap<LongCalculator>(thread());
