import { Client } from 'pg';
import { CHANNEL } from './job-repository.ts';

/** A job of a shop has a later revision, or was deleted for good. */
export interface Change {
  readonly shop: string;
  readonly job: string;
  readonly revision?: number;
  readonly isGone?: true;
}
/** What whoever listens is told: a change, or that some may have been missed. */
export type Heard = Omit<Change, 'shop'> | 'look';
type Listener = (heard: Heard) => void;

const RETRY_AFTER = 1000; // ms

/** Tells of every change to a shop's jobs, whichever server made it. One connection listens for all. */
export class ChangeFeed {
  readonly #connection: string;
  readonly #listeners = new Map<string, Set<Listener>>();
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
      for (const listeners of this.#listeners.values()) for (const listener of listeners) listener('look');
    } catch {
      setTimeout(() => void this.#again(), RETRY_AFTER).unref();
    }
  }

  #tell({ shop, ...change }: Change): void {
    for (const listener of this.#listeners.get(shop) ?? []) listener(change);
  }

  /** @returns what ends it. */
  follow(shop: string, listener: Listener): () => void {
    const listeners = this.#listeners.get(shop) ?? new Set();
    this.#listeners.set(shop, listeners.add(listener));
    return () => {
      listeners.delete(listener);
      if (listeners.size === 0) this.#listeners.delete(shop);
    };
  }

  async close(): Promise<void> {
    this.#closed = true;
    await this.#client?.end();
  }
}
