import { Worker } from 'node:worker_threads';
import { AppError } from '../errors.ts';
import type { Reply } from './serve.ts';

interface Waiting {
  resolve(answer: unknown): void;
  reject(error: Error): void;
}

const isBuilt = !import.meta.url.endsWith('.ts');

/** A thread beside the server's own: what may take longer than the event loop can stand still is asked of it. */
export class Thread<Question> {
  readonly #module: string;
  #last = 0;
  readonly #waiting = new Map<number, Waiting>();
  #worker: Worker | undefined;

  /** @param module - of the thread, by its path in `src` without its ending: it calls `serve`. */
  constructor(module: string) {
    this.#module = module;
    this.#worker = this.#start(); // it takes a second to load
  }

  /** @throws AppError as the thread threw it, or what went wrong there. A thread that died is started anew at the next question. */
  ask(question: Question): Promise<unknown> {
    this.#worker ??= this.#start();
    const id = ++this.#last;
    return new Promise((resolve, reject) => {
      this.#waiting.set(id, { resolve, reject });
      this.#worker!.postMessage({ id, question });
    });
  }

  #start(): Worker {
    // built, each is a file beside the server's own
    const worker = isBuilt
      ? new Worker(new URL(/* @vite-ignore */ `./${this.#module}.js`, import.meta.url))
      : new Worker(new URL(/* @vite-ignore */ './start.mjs', import.meta.url), { workerData: { module: new URL(/* @vite-ignore */ `../${this.#module}.ts`, import.meta.url).href } }); // prettier-ignore
    worker.unref();
    worker.on('message', (reply: Reply) => {
      const waiting = this.#waiting.get(reply.id);
      this.#waiting.delete(reply.id);
      if ('answer' in reply) waiting?.resolve(reply.answer);
      else waiting?.reject('refusal' in reply ? new AppError(...reply.refusal) : new Error(reply.failure));
    });
    worker.on('error', (error: unknown) => {
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
