import {
  CHANGES_PAGE,
  LIST_PAGE,
  type ActsAnswer,
  type ChangeList,
  type ListRequest,
  type PutBack,
} from '@endrel/core/contract/api';
import { describeIssue } from '@endrel/core/job/read-job-file';
import { isDatabaseAway } from '../database.ts';
import { AppError, BusyError, ConflictError, InvalidError, NotFoundError } from '../errors.ts';
import type { ActsTried, Judge, JudgedJob, OpenedJob, Tried } from '../judging/judge.ts';
import type { JobHead, JobRepository, ListRow } from '../repositories/job-repository.ts';
import type { AttachmentService } from './attachment-service.ts';
import { Turns } from './turns.ts';
import type { SummaryService } from './summary-service.ts';

/** Who acts, in which shop. Accounts come later; the rows are ready for them. */
export interface Acting {
  readonly shop: string;
  readonly actor: string;
}

const MOST_TRIES = 20; // acts meet those of another server on the same database at most so often in a row

/**
 * Jobs: what is done to them is an act, applied and judged as it was in the page. Documents and acts are JSON text here; they are
 * read where they are judged.
 */
export class JobService {
  readonly #jobs: JobRepository;
  readonly #attachments: AttachmentService;
  readonly #summaries: SummaryService;
  readonly #judge: Judge;
  /** Acts of one job one request after the other, so that none of many at once is tried in vain. */
  readonly #turns = new Turns();

  constructor(jobs: JobRepository, attachments: AttachmentService, summaries: SummaryService, judge: Judge) {
    this.#jobs = jobs;
    this.#attachments = attachments;
    this.#summaries = summaries;
    this.#judge = judge;
  }

  /** A page of the list as JSON text of a `JobList`. */
  async list({ shop }: Acting, { find, away, after }: ListRequest): Promise<string> {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean);
    const [found, counts] = await Promise.all([
      this.#jobs.list(shop, { words, away: away === 'true', after, most: LIST_PAGE + 1 }),
      this.#jobs.counts(shop),
    ]);
    const rows = found.slice(0, LIST_PAGE);
    for (const row of rows)
      if (row.factsOf !== row.revision && !this.#summaries.isUnreadable(row)) this.#reckon(shop, row.id);
    const rest = JSON.stringify({ ...counts, after: found.length > LIST_PAGE ? rows.at(-1)!.place : undefined });
    return `{"jobs":[${rows.map((row) => this.#listed(row)).join()}],${rest.slice(1)}`;
  }

  #listed(row: ListRow): string {
    const { id, savedAt, isAway } = row;
    const unreadable = this.#summaries.isUnreadable(row);
    const isBehind = unreadable === undefined && row.factsOf !== row.revision;
    const own = JSON.stringify({
      id,
      savedAt,
      isAway,
      ...(isBehind ? { isBehind } : {}),
      ...(unreadable === undefined ? {} : { unreadable }),
    });
    return `${own.slice(0, -1)},${row.summary.trim().slice(1)}`; // which holds a name at least
  }

  /** Has the facts of a job reckoned that the list does not know yet. */
  #reckon(shop: string, id: string): void {
    this.#summaries.wanted(id, async () => {
      const head = await this.#jobs.headOf(shop, id);
      if (!head) return undefined;
      try {
        const job = await this.#opened(shop, head);
        return { revision: head.revision, job, mesh: await this.#meshOf(shop, job) };
      } catch (error) {
        // what a thread threw has come as a plain AppError
        const fault = error instanceof AppError ? error.fault : undefined;
        if (isDatabaseAway(error)) throw error;
        const why = fault?.code === 'unreadable' ? describeIssue(fault.issues![0]!) : 'it is no job at all';
        return { revision: head.revision, unreadable: why };
      }
    });
  }

  async #meshOf(shop: string, { mesh }: JudgedJob): Promise<string | undefined> {
    return mesh === undefined ? undefined : this.#attachments.find(shop, mesh);
  }

  /** A stored job as JSON text of a `StoredJob`. @throws NotFoundError, UnreadableError */
  async read({ shop }: Acting, id: string): Promise<string> {
    const head = await this.#headOf(shop, id);
    return stored(head, await this.#opened(shop, head));
  }

  /** A job as it is now; what an older version held inside becomes attachments. */
  async #opened(shop: string, head: JobHead): Promise<OpenedJob> {
    const held = await this.#judge.open(keyOf(shop, head.id), head.revision);
    if (held) return held;
    const row = await this.#jobs.find(shop, head.id);
    if (!row) throw new NotFoundError('job');
    const key = keyOf(shop, row.id);
    const job = (await this.#judge.open(key, row.revision, row.document))!;
    try {
      await this.#attachments.keepAll(shop, job.attachments);
      await this.#jobs.keepReadable(shop, row.id, row.revision, job.document);
    } catch (error) {
      this.#judge.forget(key); // or the next to ask would find the job without what it carried
      throw error;
    }
    return job;
  }

  /**
   * A new job out of a request's body, a name or a document, as JSON text of a `StoredJob`.
   *
   * @throws InvalidError
   */
  async create(acting: Acting, body: string): Promise<{ id: string; text: string }> {
    const { shop, actor } = acting;
    const job = await this.#judge.create(body);
    await this.#attachments.keepAll(shop, job.attachments);
    await this.#requireMeshes(shop, job.mesh === undefined ? [] : [job.mesh]);
    const summary = job.isBlank ? 'new job' : 'brought in from a job file';
    const head = await this.#jobs.create(shop, job.document, { actor, summary }, { id: job.id });
    // asked again since the answer was lost: it is there
    if (!head) return { id: job.id!, text: await this.read(acting, job.id!) };
    this.#summarise(shop, head, job);
    return { id: head.id, text: stored(head, job) };
  }

  /**
   * Does the acts of a request's body in order, each judged on the job as it is now. What others did since an act's base joins
   * where it touches other fields; where it touches the same, the act waits for a person to decide.
   *
   * @returns JSON text of an `ActsAnswer`.
   * @throws InvalidError, NotFoundError, UnreadableError
   */
  act(acting: Acting, id: string, body: string): Promise<string> {
    const key = keyOf(acting.shop, id);
    return this.#turns.after(key, () => this.#actNow(acting, id, key, body));
  }

  async #actNow(acting: Acting, id: string, key: string, body: string): Promise<string> {
    const { shop, actor } = acting;
    const { head, tried } = await this.#judge.act(key, actor, body);
    const first = tried && (await this.#store(shop, { id, revision: head.known }, head, tried, []));
    if (first) return first;
    for (let i = 0; i < MOST_TRIES; i++) {
      const answer = await this.#actAgain(acting, id, body, head);
      if (answer) return answer;
    }
    throw new BusyError();
  }

  /** Once more, on what is stored by now. */
  async #actAgain(
    { shop, actor }: Acting,
    id: string,
    body: string,
    acts: ActsTried['head'],
  ): Promise<string | undefined> {
    const key = keyOf(shop, id);
    const head = await this.#headOf(shop, id);
    const oldest = Math.min(acts.known, ...acts.acts.map((a) => a.base));
    const [done, others] = await Promise.all([
      this.#jobs.doneActs(
        shop,
        id,
        acts.acts.map((a) => a.id),
      ),
      this.#jobs.fieldsSince(shop, id, oldest),
    ]);
    const stored = { revision: head.revision, done, others };
    let { tried } = await this.#judge.act(key, actor, body, stored);
    if (!tried) {
      await this.#opened(shop, head);
      ({ tried } = await this.#judge.act(key, actor, body, stored));
    }
    if (!tried) return undefined; // it has moved on meanwhile
    const since = await this.#jobs.actsBetween(shop, id, acts.known, head.revision);
    return this.#store(shop, head, acts, tried, since);
  }

  /** @returns the answer; undefined when somebody was quicker. */
  async #store(
    shop: string,
    base: Pick<JobHead, 'id' | 'revision'>,
    { known }: ActsTried['head'],
    tried: Tried,
    since: readonly string[] | undefined,
  ): Promise<string | undefined> {
    await this.#requireMeshes(shop, tried.newMeshes);
    const { id, revision } = base;
    const now = tried.count === 0 ? await this.#headOf(shop, id) : await this.#jobs.replace(shop, id, revision, tried);
    if (now?.revision !== revision + tried.count) return undefined;
    if (tried.count > 0) {
      this.#judge.stored(keyOf(shop, id), now.revision, tried);
      this.#summarise(shop, now, tried);
    }
    const kept = since && [...since, ...tried.kept];
    return answer(now, JSON.stringify(tried.outcomes), kept?.length === now.revision - known ? kept : undefined);
  }

  #summarise(shop: string, { id, revision }: JobHead, job: JudgedJob): void {
    this.#summaries.saved(id, async () => ({ revision, job, mesh: await this.#meshOf(shop, job) }));
  }

  /** Acts behind a revision that a page has, as JSON text of an `ActsAnswer`. */
  async since({ shop }: Acting, id: string, known: number): Promise<string> {
    const head = await this.#headOf(shop, id);
    return answer(head, '[]', await this.#jobs.actsBetween(shop, id, known, head.revision));
  }

  async revisionOf({ shop }: Acting, id: string): Promise<number> {
    return (await this.#headOf(shop, id)).revision;
  }

  /**
   * A job that cannot be read, as it was at its last readable revision; what was done since is in the table of changes.
   *
   * @throws NotFoundError, ConflictError where it can be read, or where no way leads back.
   */
  async putBack({ shop, actor }: Acting, id: string): Promise<PutBack> {
    const row = await this.#jobs.find(shop, id);
    if (!row) throw new NotFoundError('job');
    const key = keyOf(shop, id);
    this.#judge.forget(key);
    const isReadable = await this.#judge.open(key, row.revision, row.document).then(
      () => true,
      () => false,
    );
    if (isReadable) throw new ConflictError('This job can be read: nothing was put back.');
    const found = await this.#judge.lastReadable(row.document, await this.#jobs.wayBack(shop, id));
    if (!found) throw new ConflictError('No revision of this job that can be read was found. It is kept as it is.');
    const summary = `put back to revision ${found.revision}, the last that can be read`;
    const head = await this.#jobs.putBack(shop, id, { base: row.revision, document: found.document, actor, summary });
    if (!head) throw new BusyError();
    this.#judge.forget(key);
    this.#summarise(shop, head, found);
    return { revision: head.revision, isAsOf: found.revision };
  }

  /** Numbers of jobs that were deleted for good: whoever kept a copy drops it. */
  gone({ shop }: Acting): Promise<string[]> {
    return this.#jobs.gone(shop);
  }

  /** A page of what was done to a job, the last first. */
  async changes({ shop }: Acting, id: string, before: number | undefined): Promise<ChangeList> {
    await this.#headOf(shop, id);
    const found = await this.#jobs.changes(shop, id, before, CHANGES_PAGE + 1);
    const changes = found.slice(0, CHANGES_PAGE);
    return { changes, ...(found.length > CHANGES_PAGE ? { before: changes.at(-1)!.revision } : {}) };
  }

  /** The document as it is stored, as JSON text, whether it can be read or not. */
  async storedText({ shop }: Acting, id: string): Promise<string> {
    const row = await this.#jobs.find(shop, id);
    if (!row) throw new NotFoundError('job');
    return row.document;
  }

  async putAway({ shop }: Acting, id: string, away: boolean): Promise<void> {
    if (!(await this.#jobs.putAway(shop, id, away))) throw new NotFoundError('job');
  }

  /** For good, and only what was put away before. */
  async delete({ shop }: Acting, id: string): Promise<void> {
    const outcome = await this.#jobs.delete(shop, id);
    if (outcome === 'notFound') throw new NotFoundError('job');
    if (outcome === 'notPutAway') throw new ConflictError('Put the job away first; then it can be deleted for good.');
    this.#judge.forget(keyOf(shop, id));
  }

  /** A job may name only a mesh that is here. */
  async #requireMeshes(shop: string, digests: readonly string[]): Promise<void> {
    for (const digest of digests)
      if (!(await this.#attachments.has(shop, digest)))
        throw new InvalidError('The tank’s mesh itself has not been sent: send the attachment first.', [
          { field: 'survey.tank.mesh', message: 'names an attachment that is not here' },
        ]);
  }

  /** @throws NotFoundError */
  async #headOf(shop: string, id: string): Promise<JobHead> {
    const head = await this.#jobs.headOf(shop, id);
    if (!head) throw new NotFoundError('job');
    return head;
  }
}

const keyOf = (shop: string, id: string): string => `${shop}/${id}`;

const stored = ({ id, revision, savedAt }: JobHead, { document }: JudgedJob): string =>
  `${JSON.stringify({ id, revision, savedAt }).slice(0, -1)},"document":${document}}`;

/** @param since - acts as JSON text; absent where the page has to read the job anew. */
function answer({ revision, savedAt }: JobHead, outcomes: string, since: readonly string[] | undefined): string {
  const head = JSON.stringify({ revision, savedAt } satisfies Partial<ActsAnswer>).slice(0, -1);
  return `${head},"outcomes":${outcomes}${since ? `,"since":[${since.join()}]` : ''}}`;
}
