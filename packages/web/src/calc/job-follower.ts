import type { Assessment } from '@endrel/core/assessment/assess';
import type { Act } from '@endrel/core/acts/act';
import { restoring } from '@endrel/core/acts/touched';
import type { Job } from '@endrel/core/job/job';
import { followed, type AssessmentChange, saidOf } from '@endrel/core/assessment/assessment-change';

/** Where a job is held and reckoned. */
export interface Reckoner {
  hold(job: Job): Promise<Assessment>;
  act(act: Act): Promise<AssessmentChange>;
}

/**
 * Keeps the job that a worker holds the same as the page's: hands it over once, then tells it what each edit touched, whoever
 * made it. What comes while it reckons goes together, so that no edit waits for one that was overtaken.
 */
export class JobFollower {
  readonly #reckoner: Reckoner;
  readonly #onSaid: (assessment: Assessment, since: number) => void;
  #said: Assessment | undefined;
  #wanted: { readonly job: Job; readonly since: number } | undefined;
  #isBusy = false;

  /** @param onSaid - told what there is to say, and since when (`performance.now`) the job was waiting for it. */
  constructor(reckoner: Reckoner, onSaid: (assessment: Assessment, since: number) => void) {
    this.#reckoner = reckoner;
    this.#onSaid = onSaid;
  }

  /** @throws what the reckoning throws; the next edit then begins anew. */
  async follow(job: Job): Promise<void> {
    if (job === this.#wanted?.job) return; // saved, or something said: no edit
    this.#wanted = { job, since: performance.now() };
    if (!this.#isBusy) await this.#catchUp();
  }

  /** The next job is handed over whole, the same one too. */
  forget(): void {
    this.#wanted = undefined;
    this.#said = undefined;
  }

  async #catchUp(): Promise<void> {
    this.#isBusy = true;
    try {
      for (let next = this.#wanted; next && next.job !== this.#said?.findings.asLeft; next = this.#wanted) {
        this.#said = await this.#reckon(next.job);
        this.#onSaid(this.#said, next.since);
      }
    } catch (error) {
      this.#said = undefined; // the next edit hands the job over whole
      throw error;
    } finally {
      this.#isBusy = false;
    }
  }

  async #reckon(job: Job): Promise<Assessment> {
    const before = this.#said;
    if (!before) return this.#handOver(job);
    const edit = restoring(job, before.findings.asLeft, 'edit');
    if (!edit) return followed(before, job, { findings: {}, gone: [] });
    try {
      return followed(before, job, await this.#reckoner.act(edit));
    } catch {
      return this.#handOver(job); // the worker was started anew, or holds another job
    }
  }

  async #handOver(job: Job): Promise<Assessment> {
    const { findings, snags } = await this.#reckoner.hold(job);
    return saidOf(job, findings, snags); // the worker's is a copy
  }
}
