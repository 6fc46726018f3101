import type { Logger } from 'pino';
import type { JudgedJob } from '../judging/judge.ts';
import type { Reckoner } from '../reckoning/reckoner.ts';
import type { JobRepository } from '../repositories/job-repository.ts';

type Found =
  | { readonly revision: number; readonly job: JudgedJob; readonly mesh: string | undefined }
  | { readonly revision: number; readonly unreadable: string };

const PATIENCE = 40; // ms that a list waits for what was saved just before it; what takes longer it says is behind
const QUIET = 500; // ms without a save before a job is reckoned that no list asks for: somebody is typing

/** Reckons what the list shows of a job after it was saved, one job after the other, and stores it. */
export class SummaryService {
  readonly #jobs: JobRepository;
  readonly #reckoner: Reckoner;
  readonly #logger: Logger;
  /** The last thing asked for each job: of several saves in a row only the last is reckoned. */
  readonly #queue = new Map<string, { readonly find: () => Promise<Found | undefined>; readonly due: number }>();
  readonly #unreadable = new Map<string, { readonly revision: number; readonly why: string }>();
  #working: Promise<void> | undefined;
  /** Ends the wait for a quiet moment. */
  #hurry: () => void = () => undefined;
  #waitingLists = 0;

  constructor(jobs: JobRepository, reckoner: Reckoner, logger: Logger) {
    this.#jobs = jobs;
    this.#reckoner = reckoner;
    this.#logger = logger;
  }

  queue(id: string, find: () => Promise<Found | undefined>): void {
    this.#queue.delete(id);
    this.#queue.set(id, { find, due: performance.now() + QUIET });
    this.#working ??= this.#work().finally(() => (this.#working = undefined));
  }

  /** Waits a little for what is being reckoned, so that a list that is read after a save shows it. */
  async settle(): Promise<void> {
    if (!this.#working) return;
    this.#waitingLists++;
    this.#hurry();
    let timer: NodeJS.Timeout | undefined;
    const patience = new Promise<void>((resolve) => (timer = setTimeout(resolve, PATIENCE)));
    await Promise.race([this.#working, patience]);
    clearTimeout(timer);
    this.#waitingLists--;
  }

  isUnreadable({ id, revision }: { id: string; revision: number }): string | undefined {
    const known = this.#unreadable.get(id);
    return known?.revision === revision ? known.why : undefined;
  }

  async #work(): Promise<void> {
    for (;;) {
      const [next] = this.#queue;
      if (!next) return;
      const [id, { find, due }] = next;
      const wait = due - performance.now();
      if (wait > 0 && this.#waitingLists === 0) {
        await this.#quiet(wait);
        continue; // there may have been another save
      }
      this.#queue.delete(id);
      try {
        const found = await find();
        if (!found) continue;
        if ('unreadable' in found) {
          this.#unreadable.set(id, { revision: found.revision, why: found.unreadable });
          continue;
        }
        const { document, names } = found.job;
        const facts = await this.#reckoner.facts(document, found.mesh);
        await this.#jobs.keepSummary(id, found.revision, { ...names, facts });
      } catch (error) {
        this.#logger.error({ err: error, job: id }, 'the summary of a job could not be reckoned');
      }
    }
  }

  #quiet(milliseconds: number): Promise<void> {
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, milliseconds);
      this.#hurry = () => {
        clearTimeout(timer);
        resolve();
      };
    });
  }

  /** Drops what waits. */
  async close(): Promise<void> {
    this.#queue.clear();
    this.#hurry();
    await this.#working;
  }
}
