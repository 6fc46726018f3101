import type { Logger } from 'pino';
import { isDatabaseAway } from '../database.ts';
import type { JudgedJob } from '../judging/judge.ts';
import type { Reckoner } from '../reckoning/reckoner.ts';
import type { JobRepository } from '../repositories/job-repository.ts';

type Found =
  | { readonly revision: number; readonly job: JudgedJob; readonly mesh: string | undefined }
  | { readonly revision: number; readonly unreadable: string };

interface Waiting {
  readonly find: () => Promise<Found | undefined>;
  readonly due: number;
}

const QUIET = 500; // ms without a save before a job is reckoned: until then somebody is typing

/** Reckons what the list shows of a job after it was saved, one job after the other, and stores it. */
export class SummaryService {
  readonly #jobs: JobRepository;
  readonly #reckoner: Reckoner;
  readonly #logger: Logger;
  /** The last thing asked for each job: of several saves in a row only the last is reckoned. */
  readonly #queue = new Map<string, Waiting>();
  readonly #unreadable = new Map<string, { readonly revision: number; readonly why: string }>();
  #working: Promise<void> | undefined;
  /** Ends the wait for what is due next: something else may be due before it. */
  #wake: () => void = () => undefined;

  constructor(jobs: JobRepository, reckoner: Reckoner, logger: Logger) {
    this.#jobs = jobs;
    this.#reckoner = reckoner;
    this.#logger = logger;
  }

  /** It was saved: what the list shows of it is reckoned once there is a pause. */
  saved(id: string, find: () => Promise<Found | undefined>): void {
    this.#queue.delete(id);
    this.#add(id, find, QUIET);
  }

  /** The list has to say that it is behind. */
  wanted(id: string, find: () => Promise<Found | undefined>): void {
    if (!this.#queue.has(id)) this.#add(id, find, 0);
  }

  #add(id: string, find: () => Promise<Found | undefined>, wait: number): void {
    this.#queue.set(id, { find, due: performance.now() + wait });
    this.#wake();
    this.#working ??= this.#work().finally(() => (this.#working = undefined));
  }

  isUnreadable({ id, revision }: { id: string; revision: number }): string | undefined {
    const known = this.#unreadable.get(id);
    return known?.revision === revision ? known.why : undefined;
  }

  async #work(): Promise<void> {
    for (;;) {
      const next = this.#next();
      if (!next) return;
      const [id, { find, due }] = next;
      const wait = due - performance.now();
      if (wait > 0) {
        await this.#quiet(wait);
        continue; // there may have been another save
      }
      this.#queue.delete(id);
      try {
        await this.#reckon(id, await find());
      } catch (error) {
        // it is asked for again by the next list
        if (!isDatabaseAway(error))
          this.#logger.error({ err: error, job: id }, 'the summary of a job could not be kept');
      }
    }
  }

  async #reckon(id: string, found: Found | undefined): Promise<void> {
    if (!found) return;
    if ('unreadable' in found) {
      this.#unreadable.set(id, { revision: found.revision, why: found.unreadable });
      return;
    }
    const { document, names } = found.job;
    const facts = await this.#reckoner.facts(document, found.mesh).catch((error: unknown) => {
      this.#logger.error({ err: error, job: id }, 'the facts of a job could not be reckoned');
      return undefined; // the list says so, rather than asking for ever
    });
    await this.#jobs.keepSummary(id, found.revision, { ...names, facts });
  }

  /** What is due first. */
  #next(): [id: string, waiting: Waiting] | undefined {
    let first: [string, Waiting] | undefined;
    for (const entry of this.#queue) if (!first || entry[1].due < first[1].due) first = entry;
    return first;
  }

  #quiet(milliseconds: number): Promise<void> {
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, milliseconds);
      this.#wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });
  }

  /** Drops what waits. */
  async close(): Promise<void> {
    this.#queue.clear();
    this.#wake();
    await this.#working;
  }
}
