import type { Knex } from 'knex';
import type { ChangeRow } from '@endrel/core/contract/api';
import type { OtherChange, Tried, WayBack } from '../judging/judge.ts';

/** A stored document as JSON text, not yet judged: an older Endrel may have written it. */
export interface JobRow extends JobHead {
  readonly document: string;
}
export interface JobHead {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
}
/** Which rows of the list are wanted. */
export interface Sought {
  /** In lower case. */
  readonly words: readonly string[];
  readonly away: boolean;
  /** The place of the last row that is known. */
  readonly after: string | undefined;
  readonly most: number;
}
/** A row of the list. */
export interface ListRow extends JobHead {
  readonly isAway: boolean;
  /** Where in the list it stands. */
  readonly place: string;
  /** Name, vehicle, state and, once they are reckoned, facts, as JSON text. */
  readonly summary: string;
  /** Of which revision the facts are. */
  readonly factsOf?: number;
}
interface StoredRow {
  id: string;
  revision: number;
  saved_at: Date;
  document: string;
}
const toJobRow = (row: StoredRow): JobRow => ({ ...toHead(row), document: row.document });
const toHead = ({ id, revision, saved_at: savedAt }: Omit<StoredRow, 'document'>): JobHead => ({
  id,
  revision,
  savedAt: savedAt.toISOString(),
});
const head: string[] = ['id', 'revision', 'saved_at'];

/** The channel on which the database tells every server of a change. */
export const CHANNEL = 'endrel_job_changed';
const MOST_CHANGES = 500;
const LONGEST_SHOWN = 300; // characters of what was not judged
const HAS_SUMMARY = `jsonb_typeof(summary) = 'object' and jsonb_exists(summary, 'name')`;
const MOST_OTHERS = 2000; // changes that an act is held against
const MOST_STORED = 500_000; // bytes of acts in one answer, as they are packed: some ten times that as text

/** Jobs and their changes, always within one shop. Of a deleted job only its number is there. */
export class JobRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  #jobs(shop: string, on: Knex | Knex.Transaction = this.#database) {
    return on('jobs').where({ shop_id: shop }).whereNull('deleted_at');
  }

  /** The jobs that hold every one of the words, the last saved first, from behind a place in the list. */
  async list(shop: string, { words, away, after, most }: Sought): Promise<ListRow[]> {
    const [at, id] = after?.split('_') ?? [];
    const rows = (await this.#jobs(shop)
      .whereRaw('(put_away_at is not null) = ?', [away])
      .where((q) => words.forEach((word) => void q.whereRaw(`sought like '%' || ? || '%'`, [literally(word)])))
      .where((q) => at !== undefined && void q.whereRaw('(saved_at, id) < (?::timestamptz, ?::uuid)', [`${at}Z`, id!]))
      .orderByRaw('(put_away_at is not null), saved_at desc, id desc')
      .limit(most)
      .select(
        ...head,
        'put_away_at',
        this.#database.raw(`case when ${HAS_SUMMARY} then summary_revision end as summary_revision`),
      )
      .select(
        this.#database.raw(`to_char(saved_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US') || '_' || id as place`),
      )
      // as text: a long list is passed on, not read
      .select(
        this.#database.raw(
          // where there is none, what stands in the document, whatever that is: a row that cannot be read is listed too
          `case when ${HAS_SUMMARY} then summary::text
             else (select json_object_agg(key, left(document->>key, ${LONGEST_SHOWN})) from unnest(array['name', 'vehicle', 'state']) as key)::text
           end as summary`,
        ),
      )) as (Omit<StoredRow, 'document'> & {
      summary: string;
      summary_revision: number | null;
      put_away_at: Date | null;
      place: string;
    })[];
    return rows.map((row) => ({
      ...toHead(row),
      place: row.place,
      isAway: row.put_away_at !== null,
      summary: row.summary,
      ...(row.summary_revision === null ? {} : { factsOf: row.summary_revision }),
    }));
  }

  /** How many jobs there are, at hand and put away. */
  async counts(shop: string): Promise<{ atHand: number; away: number }> {
    const [row] = (await this.#jobs(shop).select(
      this.#database.raw('count(*) filter (where put_away_at is null)::int as "atHand"'),
      this.#database.raw('count(*) filter (where put_away_at is not null)::int as away'),
    )) as { atHand: number; away: number }[];
    return row!;
  }

  async find(shop: string, id: string): Promise<JobRow | undefined> {
    const row = (await this.#jobs(shop)
      .where({ id })
      .first(...head, this.#database.raw('document::text as document'))) as StoredRow | undefined;
    return row && toJobRow(row);
  }

  /** The same without its document. */
  async headOf(shop: string, id: string): Promise<JobHead | undefined> {
    const row = (await this.#jobs(shop).where({ id }).first(head)) as StoredRow | undefined;
    return row && toHead(row);
  }

  /**
   * @param document - a judged job as JSON text.
   * @param id - made by whoever asks: a second request with it makes no second job.
   * @returns undefined where that id is there already.
   */
  async create(
    shop: string,
    document: string,
    { actor, summary }: { actor: string; summary: string },
    { id, on }: { id?: string; on?: Knex.Transaction } = {},
  ): Promise<JobHead | undefined> {
    const make = async (trx: Knex.Transaction): Promise<JobHead | undefined> => {
      const [row] = (await trx('jobs')
        .insert({
          ...(id === undefined ? {} : { id }),
          shop_id: shop,
          revision: 1,
          document,
          saved_at: trx.raw('clock_timestamp()'),
        })
        .onConflict('id')
        .ignore()
        .returning(head)) as StoredRow[];
      if (!row) return undefined;
      await trx('job_changes').insert({ shop_id: shop, job_id: row.id, revision: 1, actor, summary });
      await trx('readable_jobs').insert({ shop_id: shop, job_id: row.id, revision: 1, document });
      return toHead(row);
    };
    return on ? make(on) : this.#database.transaction(make);
  }

  /**
   * Puts what came of acts in the place of the document of that very revision, and the acts into the table of changes, each a
   * revision of its own. What was reckoned beforehand holds the row for the write alone.
   *
   * @returns undefined when the stored revision has moved on, or one of the acts is there already: then nothing is changed.
   */
  async replace(
    shop: string,
    id: string,
    base: number,
    { document, changes, count }: Tried,
  ): Promise<JobHead | undefined> {
    const revision = base + count;
    try {
      // one statement: the row is held for no longer than it takes
      const { rows: done } = (await this.#database.raw(
        `with saved as (
           update jobs set revision = :revision, document = :document::jsonb, saved_at = now()
           where id = :id and shop_id = :shop and revision = :base and deleted_at is null
           returning id, revision, saved_at
         ), kept as (
           insert into job_changes (shop_id, job_id, revision, actor, summary, act, act_id, client, fields)
           select :shop, saved.id, c.revision, c.actor, c.summary, c.act, c.act_id, c.client, c.fields
           from saved cross join jsonb_to_recordset(:changes::jsonb)
             as c(revision int, actor text, summary text, act jsonb, act_id text, client text, fields jsonb)
         )
         select saved.*, pg_notify(:channel, :notice) from saved`,
        {
          revision,
          document,
          id,
          shop,
          base,
          changes,
          channel: CHANNEL,
          notice: JSON.stringify({ shop, job: id, revision }),
        },
      )) as unknown as { rows: StoredRow[] };
      return done[0] && toHead(done[0]);
    } catch (error) {
      if ((error as { code?: string }).code === UNIQUE_VIOLATION) return undefined;
      throw error;
    }
  }

  /**
   * What was changed behind a revision, oldest first. Where that is more than can be held against an act, the last of them counts
   * as having touched anything.
   */
  async fieldsSince(shop: string, id: string, revision: number): Promise<OtherChange[]> {
    const rows = (await this.#database('job_changes')
      .where({ shop_id: shop, job_id: id })
      .where('revision', '>', revision)
      .orderBy('revision')
      .limit(MOST_OTHERS + 1)
      .select('revision', 'client', 'fields')) as {
      revision: number;
      client: string | null;
      fields: OtherChange['fields'] | null;
    }[];
    return rows.map(({ revision: at, client, fields }, i) => {
      if (i === MOST_OTHERS) return { revision: at };
      return { revision: at, ...(client === null ? {} : { client }), ...(fields ? { fields } : {}) };
    });
  }

  /**
   * The acts from behind a revision up to another, each as JSON text of a `KeptAct`.
   *
   * @returns undefined where they are too many for one answer, or one of them is not known as an act.
   */
  async actsBetween(shop: string, id: string, from: number, to: number): Promise<string[] | undefined> {
    if (to - from > MOST_CHANGES) return undefined;
    if (to <= from) return [];
    const rows = (await this.#database('job_changes')
      .where({ shop_id: shop, job_id: id })
      .whereBetween('revision', [from + 1, to])
      .whereNotNull('act')
      .whereNotNull('client')
      .orderBy('revision')
      .select(
        this.#database.raw(
          `case when sum(pg_column_size(act)) over (order by revision) < ${MOST_STORED}
             then json_build_object('revision', revision, 'id', act_id, 'client', client, 'act', act)::text end as act`,
        ),
      )) as { act: string | null }[];
    const acts = rows.flatMap((row) => row.act ?? []);
    return acts.length === to - from ? acts : undefined;
  }

  /** Which of these acts are done already, with their revisions. */
  async doneActs(shop: string, id: string, acts: readonly string[]): Promise<[id: string, revision: number][]> {
    const rows = (await this.#database('job_changes')
      .where({ shop_id: shop, job_id: id })
      .whereIn('act_id', acts)
      .select('act_id', 'revision')) as { act_id: string; revision: number }[];
    return rows.map((row) => [row.act_id, row.revision]);
  }

  /** Changes from before a revision, the last first. */
  async changes(shop: string, id: string, before: number | undefined, most: number): Promise<ChangeRow[]> {
    const rows = (await this.#database('job_changes')
      .where({ shop_id: shop, job_id: id })
      .where((q) => before !== undefined && void q.where('revision', '<', before))
      .orderBy('revision', 'desc')
      .limit(most)
      .select('revision', 'at', 'actor', this.#database.raw('left(summary, ?) as summary', [LONGEST_SHOWN]))
      .select(this.#database.raw('jsonb_array_length(coalesce(fields, patch)) as fields'))) as (Omit<
      ChangeRow,
      'at'
    > & {
      at: Date;
    })[];
    return rows.map((row) => ({ ...row, at: row.at.toISOString(), fields: row.fields ?? 0 }));
  }

  /** Keeps what the list shows, unless a later revision's is there already. */
  async keepSummary(id: string, revision: number, summary: unknown): Promise<void> {
    await this.#database('jobs')
      .where({ id })
      .where((q) => void q.whereNull('summary_revision').orWhere('summary_revision', '<=', revision))
      .update({ summary: JSON.stringify(summary), summary_revision: revision });
  }

  /** @returns false when there is no such job. */
  async putAway(shop: string, id: string, away: boolean): Promise<boolean> {
    const count = await this.#jobs(shop)
      .where({ id })
      .update({ put_away_at: away ? this.#database.fn.now() : null });
    return count > 0;
  }

  /** Keeps a document that was read whole, unless one from shortly before is kept already. */
  async keepReadable(shop: string, id: string, revision: number, document: string): Promise<void> {
    await this.#database.raw(
      `insert into readable_jobs (job_id, shop_id, revision, document) values (:id, :shop, :revision, :document::jsonb)
       on conflict (job_id) do update set revision = excluded.revision, document = excluded.document
       where readable_jobs.revision <= excluded.revision - ${ACTS_BETWEEN_READABLE}`,
      { id, shop, revision, document },
    );
  }

  /** The last document that was read whole, with the acts from behind it on, as JSON text; those of before it, newest first, where none is kept. */
  async wayBack(shop: string, id: string): Promise<WayBack> {
    const kept = (await this.#database('readable_jobs')
      .where({ shop_id: shop, job_id: id })
      .first('revision', this.#database.raw('document::text as document'))) as WayBack['readable'];
    const rows = (await this.#database('job_changes')
      .where({ shop_id: shop, job_id: id })
      .where('revision', '>', kept?.revision ?? 0)
      .whereNotNull('act')
      .orderBy('revision')
      .select('revision', this.#database.raw('act::text as act'))) as { revision: number; act: string }[];
    return { readable: kept, acts: rows };
  }

  /**
   * Puts a document of before in the place of one that cannot be read, as a revision of its own.
   *
   * @returns undefined when the stored revision has moved on.
   */
  async putBack(
    shop: string,
    id: string,
    { base, document, actor, summary }: { base: number; document: string; actor: string; summary: string },
  ): Promise<JobHead | undefined> {
    return this.#database.transaction(async (trx) => {
      const [row] = (await this.#jobs(shop, trx)
        .where({ id, revision: base })
        .update({ document, revision: base + 1, saved_at: trx.fn.now() })
        .returning(head)) as StoredRow[];
      if (!row) return undefined;
      await trx('job_changes').insert({ shop_id: shop, job_id: id, revision: base + 1, actor, summary });
      await trx('readable_jobs').where({ job_id: id }).delete();
      await trx('readable_jobs').insert({ shop_id: shop, job_id: id, revision: base + 1, document });
      await trx.raw('select pg_notify(?, ?)', [CHANNEL, JSON.stringify({ shop, job: id, revision: base + 1 })]);
      return toHead(row);
    });
  }

  /**
   * Everything of a job goes for good: document, changes, what was reckoned of it and the attachments that no other job names. Its
   * number stays, so that browsers which kept a copy can hear of it. Only a job that was put away.
   */
  async delete(shop: string, id: string): Promise<'deleted' | 'notPutAway' | 'notFound'> {
    return this.#database.transaction(async (trx) => {
      const row = (await this.#jobs(shop, trx).where({ id }).forUpdate().first('put_away_at')) as
        { put_away_at: Date | null } | undefined;
      if (!row) return 'notFound';
      if (row.put_away_at === null) return 'notPutAway';
      const { rows: named } = (await trx.raw(
        `select distinct found[1] as digest from (
           select regexp_matches(document::text, :digest, 'g') as found from jobs where id = :id
           union all
           select regexp_matches(act::text, :digest, 'g') from job_changes where job_id = :id and act::text ~ :digest
         ) as names`,
        { id, digest: '"([0-9a-f]{64})"' },
      )) as unknown as { rows: { digest: string }[] };
      await trx('jobs')
        .where({ id })
        .update({ document: '{}', summary: null, summary_revision: null, deleted_at: trx.fn.now() });
      await trx('job_changes').where({ shop_id: shop, job_id: id }).delete();
      await trx('readable_jobs').where({ job_id: id }).delete();
      for (const { digest } of named)
        await trx.raw(
          `delete from attachments where shop_id = :shop and digest = :digest
             and not exists (select 1 from jobs where shop_id = :shop and document::text like :within)
             and not exists (select 1 from job_changes where shop_id = :shop and act::text like :within)`,
          { shop, digest, within: `%${digest}%` },
        );
      await trx.raw('select pg_notify(?, ?)', [CHANNEL, JSON.stringify({ shop, job: id, isGone: true })]);
      return 'deleted';
    });
  }

  /** Numbers of jobs that were deleted for good, the last first. */
  async gone(shop: string): Promise<string[]> {
    const rows = (await this.#database('jobs')
      .where({ shop_id: shop })
      .whereNotNull('deleted_at')
      .orderBy('deleted_at', 'desc')
      .limit(MOST_GONE)
      .select('id')) as { id: string }[];
    return rows.map((row) => row.id);
  }
}

const MOST_GONE = 2000;
/** Between two documents that are kept as read: so many acts at most are done again to get to the last readable one. */
const ACTS_BETWEEN_READABLE = 100;

/** A word for `like`, in which no character means anything but itself. */
const literally = (word: string) => word.replace(/[\\%_]/g, '\\$&');

const UNIQUE_VIOLATION = '23505';
