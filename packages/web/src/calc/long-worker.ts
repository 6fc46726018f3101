import * as Comlink from 'comlink';
import type { PoolWorker } from './long-pool.ts';

type Remote = Record<string, (...args: unknown[]) => Promise<unknown>>;

/** A worker of the page in the pool: asked by the names of its methods. */
export class LongWorker implements PoolWorker {
  readonly #worker: Worker;
  readonly #remote: Remote;
  readonly #died: Promise<never>;
  isDead = false;

  constructor(worker: Worker) {
    this.#worker = worker;
    this.#remote = Comlink.wrap<Remote>(worker);
    this.#died = new Promise<never>((_, reject) => {
      const fail = (event: Event) => {
        this.isDead = true;
        worker.terminate();
        reject(new Error((event as ErrorEvent).message || 'the worker could not be started'));
      };
      worker.addEventListener('error', fail);
      worker.addEventListener('messageerror', fail);
    });
    this.#died.catch(() => undefined); // who asks hears of it
  }

  call(name: string, args: readonly unknown[]): Promise<unknown> {
    const sent = args.map((arg) => (typeof arg === 'function' ? Comlink.proxy(arg) : arg));
    return Promise.race([this.#remote[name]!(...sent), this.#died]);
  }

  end(): void {
    this.#worker.terminate();
  }
}
