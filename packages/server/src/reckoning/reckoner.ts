import { Worker } from 'node:worker_threads';
import type { JobFacts } from '@endrel/core/contract/summary';

export type Question = { ask: 'facts'; job: unknown; mesh: string | undefined } | { ask: 'meshFault'; text: string };
interface Waiting {
  resolve(answer: unknown): void;
  reject(error: Error): void;
}

/** A thread beside the server's own, so that reckoning never holds up an answer. */
export class Reckoner {
  #last = 0;
  readonly #waiting = new Map<number, Waiting>();
  #worker: Worker | undefined = this.#start(); // it takes a second or two to load

  facts(job: unknown, mesh: string | undefined): Promise<JobFacts> {
    return this.#ask({ ask: 'facts', job, mesh }) as Promise<JobFacts>;
  }

  /** What is wrong with a mesh, in words; undefined when it is sound. */
  meshFault(text: string): Promise<string | undefined> {
    return this.#ask({ ask: 'meshFault', text }) as Promise<string | undefined>;
  }

  #ask(question: Question): Promise<unknown> {
    this.#worker ??= this.#start();
    const id = ++this.#last;
    return new Promise((resolve, reject) => {
      this.#waiting.set(id, { resolve, reject });
      this.#worker!.postMessage({ id, question });
    });
  }

  #start(): Worker {
    const worker = new Worker(new URL('./thread.mjs', import.meta.url));
    worker.unref();
    worker.on('message', ({ id, answer, fault }: { id: number; answer: unknown; fault?: string }) => {
      const waiting = this.#waiting.get(id);
      this.#waiting.delete(id);
      if (fault === undefined) waiting?.resolve(answer);
      else waiting?.reject(new Error(fault));
    });
    worker.on('error', (error) => {
      this.#worker = undefined;
      for (const waiting of this.#waiting.values())
        waiting.reject(error instanceof Error ? error : new Error(String(error)));
      this.#waiting.clear();
    });
    return worker;
  }

  async close(): Promise<void> {
    await this.#worker?.terminate();
  }
}
