import { Worker } from 'node:worker_threads';
import { AppError } from '../errors.ts';
import type { Reply } from './serve.ts';

interface Waiting {
  resolve(answer: unknown): void;
  reject(error: Error): void;
  onPart?(part: unknown): void;
}

export interface AskOptions {
  /** Told what the answer comes in, piece by piece, before the whole is there: rows as they are found, a share done. */
  readonly onPart?: (part: unknown) => void;
  /** Nobody waits any more: the thread is told, and what it asks its signal about stops. */
  readonly signal?: AbortSignal;
}

const isBuilt = !import.meta.url.endsWith('.ts');

/** A thread beside the server's own: what may take longer than the event loop can stand still is asked of it. */
export class Thread<Question> {
  readonly #module: string;
  #last = 0;
  readonly #waiting = new Map<number, Waiting>();
  #worker: Worker | undefined;
  #isClosed = false;

  /** @param module - of the thread, by its path in `src` without its ending: it calls `serve`. */
  constructor(module: string) {
    this.#module = module;
    this.#worker = this.#start(); // it takes a second to load
  }

  /**
   * @throws AppError as the thread threw it, or what went wrong there, or the signal's reason. A thread that died is started anew at
   *   the next question; what it was still asked is rejected, and so is what a closed one is asked.
   */
  ask(question: Question, { onPart, signal }: AskOptions = {}): Promise<unknown> {
    if (this.#isClosed) return Promise.reject(new Error('the thread is closed'));
    if (signal?.aborted) return Promise.reject(reasonOf(signal));
    const worker = (this.#worker ??= this.#start());
    const id = ++this.#last;
    return new Promise((resolve, reject) => {
      const cancel = () => {
        this.#waiting.delete(id);
        worker.postMessage({ id, cancel: true });
        reject(reasonOf(signal!));
      };
      signal?.addEventListener('abort', cancel, { once: true });
      const settled =
        <T>(settle: (value: T) => void) =>
        (value: T): void => {
          signal?.removeEventListener('abort', cancel);
          settle(value);
        };
      this.#waiting.set(id, { resolve: settled(resolve), reject: settled(reject), ...(onPart ? { onPart } : {}) });
      worker.postMessage({ id, question });
    });
  }

  #start(): Worker {
    // built, each is a file beside the server's own
    const worker = isBuilt
      ? new Worker(new URL(/* @vite-ignore */ `./${this.#module}.js`, import.meta.url))
      : new Worker(new URL(/* @vite-ignore */ './start.mjs', import.meta.url), {
          workerData: { module: new URL(/* @vite-ignore */ `../${this.#module}.ts`, import.meta.url).href },
        });
    worker.unref();
    worker.on('message', (reply: Reply) => this.#hear(reply));
    worker.on('error', (error: unknown) =>
      this.#died(worker, error instanceof Error ? error : new Error(String(error))),
    );
    // one that was ended, or ended itself, answers nothing any more
    worker.on('exit', (code) => this.#died(worker, new Error(`the thread ended with ${code}`)));
    return worker;
  }

  #hear(reply: Reply): void {
    const waiting = this.#waiting.get(reply.id);
    if (!waiting) return; // nobody waits for it any more
    if ('part' in reply) {
      waiting.onPart?.(reply.part);
      return;
    }
    this.#waiting.delete(reply.id);
    if ('answer' in reply) waiting.resolve(reply.answer);
    else waiting.reject('refusal' in reply ? new AppError(...reply.refusal) : new Error(reply.failure));
  }

  #died(worker: Worker, why: Error): void {
    if (this.#worker !== worker) return; // it was replaced already
    this.#worker = undefined;
    const left = [...this.#waiting.values()];
    this.#waiting.clear();
    for (const waiting of left) waiting.reject(why);
  }

  async close(): Promise<void> {
    this.#isClosed = true;
    await this.#worker?.terminate();
  }
}

const reasonOf = (signal: AbortSignal): Error =>
  signal.reason instanceof Error ? signal.reason : new Error('nobody waits for it any more');
