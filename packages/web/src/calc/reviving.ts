import type { Remote } from 'comlink';
import { MortalWorker } from './mortal-worker.ts';

/** A worker that is started when it is first asked, and started anew after it failed. */
export class Reviving {
  readonly #start: () => Worker;
  #running: MortalWorker<unknown> | undefined;

  constructor(start: () => Worker) {
    this.#start = start;
  }

  /** @throws Error when the worker cannot be started, or dies before it answers. */
  ask<T>(question: (worker: Remote<T>) => unknown): Promise<unknown> {
    if (!this.#running || this.#running.isDead) this.#running = new MortalWorker(this.#start());
    return this.#running.ask((worker) => question(worker as Remote<T>));
  }
}
