import * as Comlink from 'comlink';

/** A worker of the page that may die: what it is asked then fails, rather than being waited for. */
export class MortalWorker<T> {
  readonly #worker: Worker;
  readonly #remote: Comlink.Remote<T>;
  readonly #died: Promise<never>;
  isDead = false;

  constructor(worker: Worker) {
    this.#worker = worker;
    this.#remote = Comlink.wrap<T>(worker);
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

  /** @throws Error when the worker cannot be started, or dies before it answers. */
  ask(question: (worker: Comlink.Remote<T>) => unknown): Promise<unknown> {
    return Promise.race([Promise.resolve(question(this.#remote)), this.#died]);
  }

  end(): void {
    this.#worker.terminate();
  }
}
