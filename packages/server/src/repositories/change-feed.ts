import { Client } from 'pg';
import { CHANNEL } from './job-repository.ts';

export interface Change {
  readonly job: string;
  readonly revision: number;
}
const RETRY_AFTER = 1000; // ms

/** Tells of every change to a job, whichever server made it. One connection listens for all. */
export class ChangeFeed {
  readonly #connection: string;
  readonly #listeners = new Map<string, Set<(change: Change) => void>>();
  #client: Client | undefined;
  #closed = false;

  constructor(connection: string) {
    this.#connection = connection;
  }

  async open(): Promise<void> {
    const client = new Client({ connectionString: this.#connection });
    client.on('notification', ({ payload }) => this.#tell(JSON.parse(payload ?? '{}') as Change));
    client.on('error', () => undefined); // its end follows
    client.on('end', () => {
      if (this.#client === client && !this.#closed) setTimeout(() => void this.#again(), RETRY_AFTER).unref();
    });
    await client.connect();
    await client.query(`listen ${CHANNEL}`);
    this.#client = client;
  }

  /** What happened while nobody listened is not known: everyone is told to look. */
  async #again(): Promise<void> {
    if (this.#closed) return;
    try {
      await this.open();
      for (const [job, listeners] of this.#listeners) for (const listener of listeners) listener({ job, revision: 0 });
    } catch {
      setTimeout(() => void this.#again(), RETRY_AFTER).unref();
    }
  }

  #tell(change: Change): void {
    for (const listener of this.#listeners.get(change.job) ?? []) listener(change);
  }

  /** @returns what ends it. */
  follow(job: string, listener: (change: Change) => void): () => void {
    const listeners = this.#listeners.get(job) ?? new Set();
    this.#listeners.set(job, listeners.add(listener));
    return () => {
      listeners.delete(listener);
      if (listeners.size === 0) this.#listeners.delete(job);
    };
  }

  async close(): Promise<void> {
    this.#closed = true;
    await this.#client?.end();
  }
}
