import { createPatch } from 'rfc6902';
import type { ChangeRow, SaveAnswer, StoredJob } from '@endrel/core/contract/api';
import { summariseJob, type JobSummary } from '@endrel/core/contract/summary';
import { blankJob, type Job } from '@endrel/core/job/job';
import { describeIssue, readJobDocument } from '@endrel/core/job/read-job-file';
import { InvalidError, NotFoundError, StaleError } from '../errors.ts';
import type { JobRepository, JobRow } from '../repositories/job-repository.ts';

/** Who acts, in which shop. Accounts come later; the rows are ready for them. */
export interface Acting {
  readonly shop: string;
  readonly actor: string;
}

const MOST_SUMMARIES = 500;

export class JobService {
  readonly #jobs: JobRepository;
  /** Summaries cost a solve each: kept by revision. */
  readonly #summaries = new Map<string, JobSummary>();

  constructor(jobs: JobRepository) {
    this.#jobs = jobs;
  }

  async list({ shop }: Acting): Promise<JobSummary[]> {
    return (await this.#jobs.list(shop)).map((row) => this.#summary(row));
  }

  async read({ shop }: Acting, id: string): Promise<StoredJob> {
    const row = await this.#jobs.find(shop, id);
    if (!row) throw new NotFoundError('job');
    return stored(row);
  }

  async createBlank(acting: Acting, name: string, vehicle: string): Promise<StoredJob> {
    return this.#create(acting, blankJob(name, vehicle), 'new job');
  }

  async import(acting: Acting, document: unknown): Promise<StoredJob> {
    return this.#create(acting, judged(document), 'brought in from a job file');
  }

  async save(
    { shop, actor }: Acting,
    id: string,
    baseRevision: number,
    document: unknown,
    summary: string,
  ): Promise<SaveAnswer> {
    const job = judged(document);
    const outcome = await this.#jobs.replace(shop, id, baseRevision, job, (before) => ({
      actor,
      summary,
      patch: createPatch(before, job),
    }));
    if (!outcome) throw new NotFoundError('job');
    if (!outcome.saved) throw new StaleError(stored(outcome.row));
    return { revision: outcome.row.revision, savedAt: outcome.row.savedAt };
  }

  async changes(acting: Acting, id: string): Promise<ChangeRow[]> {
    await this.read(acting, id);
    return this.#jobs.changes(acting.shop, id);
  }

  async #create({ shop, actor }: Acting, job: Job, summary: string): Promise<StoredJob> {
    return stored(await this.#jobs.create(shop, job, { actor, summary, patch: createPatch(null, job) }));
  }

  #summary(row: JobRow): JobSummary {
    const key = `${row.id}:${row.revision}`;
    const known = this.#summaries.get(key);
    if (known) return known;
    const made = summariseJob(row.id, row.savedAt, stored(row).document);
    if (this.#summaries.size >= MOST_SUMMARIES) this.#summaries.delete(this.#summaries.keys().next().value!);
    this.#summaries.set(key, made);
    return made;
  }
}

/** A document of any known version, judged and brought to the current one. @throws InvalidError that names each field. */
function judged(document: unknown): Job {
  const read = readJobDocument(document);
  if (read.ok) return read.value;
  throw new InvalidError(`The job was not saved: ${describeIssue(read.fault[0]!)}.`, read.fault);
}

/** A stored row as a job of the current version. A row that cannot be read is a fault of ours and becomes 500. */
function stored(row: JobRow): StoredJob {
  const read = readJobDocument(row.document);
  if (!read.ok) throw new Error(`job ${row.id}: ${describeIssue(read.fault[0]!)}`);
  return { id: row.id, revision: row.revision, savedAt: row.savedAt, document: read.value };
}
