import { proxy } from 'comlink';
import type { PoolWorker } from './long-pool.ts';
import { MortalWorker } from './mortal-worker.ts';

type Methods = Record<string, (...args: unknown[]) => Promise<unknown>>;

/** A worker of the page in the pool: asked by the names of its methods. */
export class LongWorker extends MortalWorker<Methods> implements PoolWorker {
  call(name: string, args: readonly unknown[]): Promise<unknown> {
    const sent = args.map((arg) => (typeof arg === 'function' ? proxy(arg) : arg));
    return this.ask((worker) => worker[name]!(...sent));
  }
}
