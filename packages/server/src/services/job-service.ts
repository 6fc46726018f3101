import {
  LIST_PAGE,
  type ActOutcome,
  type ActsAnswer,
  type ActsRequest,
  type ChangeRow,
  type KeptAct,
  type ListRequest,
  type StoredJob,
} from '@endrel/core/contract/api';
import type { Act } from '@endrel/core/job/acts/act';
import { describeAct, tryAct } from '@endrel/core/job/acts/apply-act';
import { overlap, sayField, touchedBy } from '@endrel/core/job/acts/touched';
import { blankJob, type Job } from '@endrel/core/job/job';
import { describeIssue, readJobDocument } from '@endrel/core/job/read-job-file';
import { ConflictError, InvalidError, NotFoundError } from '../errors.ts';
import type {
  JobHead,
  JobRepository,
  JobRow,
  ListRow,
  NewChange,
  StoredChange,
} from '../repositories/job-repository.ts';
import type { AttachmentService } from './attachment-service.ts';
import type { SummaryService } from './summary-service.ts';

/** Who acts, in which shop. Accounts come later; the rows are ready for them. */
export interface Acting {
  readonly shop: string;
  readonly actor: string;
}

const MOST_HELD = 60; // jobs
const MOST_TRIES = 20; // an act meets that many others at once at most

/** Jobs: what is done to them is an act, applied and judged here as it was in the page. */
export class JobService {
  readonly #jobs: JobRepository;
  readonly #attachments: AttachmentService;
  readonly #summaries: SummaryService;
  /** Jobs as they were last read or saved, so that an act does not read and judge a whole document again. */
  readonly #held = new Map<string, { readonly shop: string; readonly revision: number; readonly savedAt: string; readonly job: Job }>(); // prettier-ignore

  constructor(jobs: JobRepository, attachments: AttachmentService, summaries: SummaryService) {
    this.#jobs = jobs;
    this.#attachments = attachments;
    this.#summaries = summaries;
  }

  /** A page of the list as JSON text of a `JobList`. */
  async list({ shop }: Acting, { find, away, after }: ListRequest): Promise<string> {
    await this.#summaries.settle();
    const words = find.toLowerCase().split(/\s+/).filter(Boolean);
    const [found, counts] = await Promise.all([
      this.#jobs.list(shop, { words, away: away === 'true', after, most: LIST_PAGE + 1 }),
      this.#jobs.counts(shop),
    ]);
    const rows = found.slice(0, LIST_PAGE);
    for (const row of rows) if (row.factsOf !== row.revision && !this.#summaries.isUnreadable(row)) this.#reckon(shop, row.id); // prettier-ignore
    const rest = JSON.stringify({ ...counts, after: found.length > LIST_PAGE ? rows.at(-1)!.place : undefined });
    return `{"jobs":[${rows.map((row) => this.#listed(row)).join()}],${rest.slice(1)}`;
  }

  #listed(row: ListRow): string {
    const { id, savedAt, isAway } = row;
    const unreadable = this.#summaries.isUnreadable(row);
    const own = JSON.stringify({ id, savedAt, isAway, ...(unreadable === undefined ? {} : { unreadable }) });
    return `${own.slice(0, -1)},${row.summary.trim().slice(1)}`;
  }

  /** Whether a shop has no job yet. */
  async isEmpty({ shop }: Acting): Promise<boolean> {
    const { atHand, away } = await this.#jobs.counts(shop);
    return atHand + away === 0;
  }

  /** Has the facts of a job reckoned that the list does not know yet. */
  #reckon(shop: string, id: string): void {
    this.#summaries.queue(id, async () => {
      const row = await this.#jobs.find(shop, id);
      if (!row) return undefined;
      const read = readJobDocument(row.document);
      if (!read.ok) return { revision: row.revision, unreadable: describeIssue(read.fault[0]!) };
      await this.#attachments.keepAll(shop, read.value.attachments);
      return { revision: row.revision, job: read.value.job, mesh: await this.#meshOf(shop, read.value.job) };
    });
  }

  async #meshOf(shop: string, { survey }: Job): Promise<string | undefined> {
    const digest = survey.tank.mesh?.digest;
    return digest === undefined ? undefined : this.#attachments.find(shop, digest);
  }

  async read({ shop }: Acting, id: string): Promise<StoredJob> {
    const row = await this.#rowOf(shop, id);
    const { job } = await this.#judgedRow(shop, row);
    const { revision, savedAt } = row;
    return { id, revision, savedAt, document: job };
  }

  async createBlank(acting: Acting, name: string, vehicle: string): Promise<StoredJob> {
    return this.#create(acting, blankJob(name, vehicle), 'new job');
  }

  async import(acting: Acting, document: unknown): Promise<StoredJob> {
    const read = readJobDocument(document);
    if (!read.ok) throw new InvalidError(`The job was not saved: ${describeIssue(read.fault[0]!)}.`, read.fault);
    await this.#attachments.keepAll(acting.shop, read.value.attachments);
    await this.#requireMesh(acting.shop, undefined, read.value.job);
    return this.#create(acting, read.value.job, 'brought in from a job file');
  }

  /**
   * Does acts in order, each judged on the job as it is now. What others did since an act's base joins where it touches other
   * fields; where it touches the same, the act waits for a person to decide.
   */
  async act(acting: Acting, id: string, request: ActsRequest): Promise<ActsAnswer> {
    for (let i = 0; i < MOST_TRIES; i++) {
      const answer = await this.#tryActs(acting, id, request, i);
      if (answer) return answer;
    }
    throw new Error(`job ${id}: acts met others ${MOST_TRIES} times`);
  }

  async #tryActs(
    { shop, actor }: Acting,
    id: string,
    { client, known, acts }: ActsRequest,
    tries: number,
  ): Promise<ActsAnswer | undefined> {
    const held = this.#held.get(id);
    // the usual case: one page, nobody else since. What is held is then as good as what is stored: the write itself makes sure
    const isAlone =
      tries === 0 && held?.shop === shop && held.revision === known && acts.every((a) => a.base === known);
    const { head, job: stored } = isAlone ? { head: { id, revision: known, savedAt: held.savedAt }, job: held.job } : await this.#current(shop, id); // prettier-ignore
    for (const { base } of [{ base: known }, ...acts])
      if (base > head.revision)
        throw new InvalidError(
          `There is no revision ${base} of this job: the last is ${head.revision}. Nothing was changed.`,
        );
    const done = isAlone ? new Map<string, number>() : await this.#jobs.doneActs(shop, id, acts.map((a) => a.id)); // prettier-ignore
    const since = isAlone ? [] : await this.#jobs.changesSince(shop, id, Math.min(known, ...acts.map((a) => a.base))); // prettier-ignore
    const outcomes: ActOutcome[] = [];
    const changes: NewChange[] = [];
    let job = stored;
    for (const { id: actId, base, act } of acts) {
      const revision = done.get(actId);
      if (revision !== undefined) {
        outcomes.push({ id: actId, outcome: 'saved', revision });
        continue;
      }
      const tried = tryAct(job, act);
      if (!tried.ok) {
        outcomes.push({ id: actId, outcome: 'refused', ...tried.fault });
        break;
      }
      const fields = touchedBy(job, tried.value);
      const others = since.filter((c) => c.revision > base && c.client !== client);
      const met = others.some((c) => !c.fields) ? fields : overlap(fields, others.flatMap((c) => c.fields ?? [])); // prettier-ignore
      if (met.length > 0) {
        outcomes.push({ id: actId, outcome: 'conflict', fields: met.map((path) => sayField(job, path)) });
        break;
      }
      await this.#requireMesh(shop, job, tried.value);
      if (fields.length > 0) changes.push({ actor, summary: describeAct(job, act as Act).slice(0, 300), act, actId, client, fields }); // prettier-ignore
      outcomes.push({ id: actId, outcome: 'saved', revision: head.revision + changes.length });
      job = tried.value;
    }
    // what is held may be behind: only a write that comes through proves that it was not
    if (isAlone && changes.length !== acts.length) return undefined;
    const now = changes.length === 0 ? head : await this.#jobs.replace(shop, id, head.revision, job, changes);
    if (!now) return undefined; // somebody was quicker: once more on what is there now
    if (changes.length > 0) {
      this.#hold(shop, now, job);
      const mesh = await this.#meshOf(shop, job);
      this.#summaries.queue(id, () => Promise.resolve({ revision: now.revision, job, mesh }));
    }
    const kept = [
      ...since.filter((c) => c.revision > known),
      ...changes.map(({ actId, act }, i): StoredChange => ({ revision: head.revision + i + 1, actId, client, act: act as Act })), // prettier-ignore
    ];
    return { revision: now.revision, savedAt: now.savedAt, outcomes, ...continued(kept, known, now.revision) };
  }

  /** Acts behind a revision that a page has. */
  async since({ shop }: Acting, id: string, known: number): Promise<ActsAnswer> {
    const head = await this.#headOf(shop, id);
    const kept = await this.#jobs.changesSince(shop, id, known);
    const { revision, savedAt } = head;
    return { revision, savedAt, outcomes: [], ...continued(kept.filter((c) => c.revision <= revision), known, revision) }; // prettier-ignore
  }

  async revisionOf({ shop }: Acting, id: string): Promise<number> {
    return (await this.#headOf(shop, id)).revision;
  }

  async changes({ shop }: Acting, id: string): Promise<ChangeRow[]> {
    await this.#headOf(shop, id);
    return this.#jobs.changes(shop, id);
  }

  async putAway({ shop }: Acting, id: string, away: boolean): Promise<void> {
    if (!(await this.#jobs.putAway(shop, id, away))) throw new NotFoundError('job');
  }

  /** For good, and only what was put away before. */
  async delete({ shop }: Acting, id: string): Promise<void> {
    const outcome = await this.#jobs.delete(shop, id);
    if (outcome === 'notFound') throw new NotFoundError('job');
    if (outcome === 'notPutAway') throw new ConflictError('Put the job away first; then it can be deleted for good.');
    this.#held.delete(id);
  }

  /** A job may name only a mesh that is here. */
  async #requireMesh(shop: string, before: Job | undefined, { survey }: Job): Promise<void> {
    const digest = survey.tank.mesh?.digest;
    if (digest === undefined || digest === before?.survey.tank.mesh?.digest) return;
    if (!(await this.#attachments.has(shop, digest)))
      throw new InvalidError('The tank’s mesh itself has not been sent: send the attachment first.', [
        { field: 'survey.tank.mesh', message: 'names an attachment that is not here' },
      ]);
  }

  async #create({ shop, actor }: Acting, job: Job, summary: string): Promise<StoredJob> {
    const { id, revision, savedAt } = await this.#jobs.create(shop, job, { actor, summary });
    this.#hold(shop, { id, revision, savedAt }, job);
    const mesh = await this.#meshOf(shop, job);
    this.#summaries.queue(id, () => Promise.resolve({ revision, job, mesh }));
    return { id, revision, savedAt, document: job };
  }

  /** @throws NotFoundError */
  async #headOf(shop: string, id: string): Promise<JobHead> {
    const head = await this.#jobs.headOf(shop, id);
    if (!head) throw new NotFoundError('job');
    return head;
  }
  /** @throws NotFoundError */
  async #rowOf(shop: string, id: string): Promise<JobRow> {
    const row = await this.#jobs.find(shop, id);
    if (!row) throw new NotFoundError('job');
    return row;
  }

  async #current(shop: string, id: string): Promise<{ head: JobHead; job: Job }> {
    const held = this.#held.get(id);
    const head = await this.#headOf(shop, id);
    if (held?.revision === head.revision) return { head, job: held.job };
    const row = await this.#rowOf(shop, id);
    return { head: row, job: (await this.#judgedRow(shop, row)).job };
  }

  /** A stored row as a job of the current version; what an older version held inside becomes attachments. */
  async #judgedRow(shop: string, row: JobRow): Promise<{ job: Job }> {
    const read = readJobDocument(row.document);
    if (!read.ok) throw new Error(`job ${row.id}: ${describeIssue(read.fault[0]!)}`);
    await this.#attachments.keepAll(shop, read.value.attachments);
    this.#hold(shop, row, read.value.job);
    return { job: read.value.job };
  }

  #hold(shop: string, { id, revision, savedAt }: JobHead, job: Job): void {
    this.#held.delete(id);
    if (this.#held.size >= MOST_HELD) this.#held.delete(this.#held.keys().next().value!);
    this.#held.set(id, { shop, revision, savedAt, job });
  }
}

/** The acts from a revision to another, or nothing where one of them is not known as an act. */
function continued(kept: readonly StoredChange[], known: number, revision: number): { since?: KeptAct[] } {
  const isWhole = kept.length === revision - known && kept.every((c) => c.act && c.actId && c.client);
  if (!isWhole) return {};
  return { since: kept.map((c) => ({ revision: c.revision, id: c.actId!, client: c.client!, act: c.act! })) };
}
