import * as Comlink from 'comlink';

/** A worker that is started when it is first asked, and started anew after it failed. */
export class Reviving {
  readonly #start: () => Worker;
  #running: { readonly remote: Comlink.Remote<unknown>; readonly died: Promise<never> } | undefined;

  constructor(start: () => Worker) {
    this.#start = start;
  }

  /** @throws Error when the worker cannot be started, or dies before it answers. */
  ask<T>(question: (worker: Comlink.Remote<T>) => unknown): Promise<unknown> {
    this.#running ??= this.#launch();
    const { remote, died } = this.#running;
    return Promise.race([Promise.resolve(question(remote as Comlink.Remote<T>)), died]);
  }

  #launch() {
    const worker = this.#start();
    const died = new Promise<never>((_, reject) => {
      const fail = (event: Event) => {
        this.#running = undefined;
        worker.terminate();
        reject(new Error((event as ErrorEvent).message || 'the worker could not be started'));
      };
      worker.addEventListener('error', fail);
      worker.addEventListener('messageerror', fail);
    });
    died.catch(() => undefined); // who asks hears of it
    return { remote: Comlink.wrap<unknown>(worker), died };
  }
}
