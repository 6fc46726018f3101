import type { Logger } from 'pino';
import type { HealthAnswer } from '@endrel/core/contract/api';

const MOST_LOGGED = 50; // errors in a minute: one that every request meets does not fill a disk
const PATIENCE = 2000; // ms that the database has to answer

/** How the server itself is: whether its database answers, and what has failed since it started. */
export class Health {
  readonly #ping: () => Promise<void>;
  readonly #logger: Logger;
  #failures = 0;
  #minute = 0;
  #logged = 0;
  #isAway = false;

  /** @param ping - asks the database for any answer. */
  constructor(ping: () => Promise<void>, logger: Logger) {
    this.#ping = ping;
    this.#logger = logger;
  }

  /** Counts an answer that was this server's fault. */
  failed(error: unknown, request: object): void {
    this.#failures++;
    const minute = Math.floor(Date.now() / 60_000);
    if (minute !== this.#minute) [this.#minute, this.#logged] = [minute, 0];
    this.#logged++;
    if (this.#logged < MOST_LOGGED) this.#logger.error({ err: error, req: request }, 'unexpected error');
    else if (this.#logged === MOST_LOGGED) this.#logger.error('more errors in this minute are counted only');
  }

  /** The database did not answer. It is said once in the log, not with every request that meets it. */
  missed(error: unknown): void {
    if (!this.#isAway) this.#logger.error({ err: error }, 'the database is away');
    this.#isAway = true;
  }

  async check(): Promise<HealthAnswer> {
    let timer: NodeJS.Timeout | undefined;
    const tooLong = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Error(`the database did not answer in ${PATIENCE} ms`)), PATIENCE);
    });
    try {
      await Promise.race([this.#ping(), tooLong]);
      if (this.#isAway) this.#logger.warn('the database is back');
      this.#isAway = false;
      return { isReady: true, database: 'answers', failures: this.#failures };
    } catch (error) {
      this.missed(error);
      return { isReady: false, database: 'away', failures: this.#failures };
    } finally {
      clearTimeout(timer);
    }
  }
}
