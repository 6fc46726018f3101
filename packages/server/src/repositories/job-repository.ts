import type { Knex } from 'knex';
import type { ChangeRow } from '@endrel/core/contract/api';

/** A stored document, not yet judged: an older Endrel may have written it. */
export interface JobRow {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly document: unknown;
}
export interface NewChange {
  readonly actor: string;
  readonly summary: string;
  readonly patch: readonly unknown[];
}

interface StoredRow {
  id: string;
  revision: number;
  saved_at: Date;
  document: unknown;
}
const toJobRow = (row: StoredRow): JobRow => ({
  id: row.id,
  revision: row.revision,
  savedAt: row.saved_at.toISOString(),
  document: row.document,
});
const columns: string[] = ['id', 'revision', 'saved_at', 'document'];

/** Jobs and their changes, always within one shop. */
export class JobRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  async list(shop: string): Promise<JobRow[]> {
    const rows = (await this.#database('jobs')
      .where({ shop_id: shop })
      .orderBy('saved_at', 'desc')
      .orderBy('id')
      .select(columns)) as StoredRow[];
    return rows.map(toJobRow);
  }

  async find(shop: string, id: string): Promise<JobRow | undefined> {
    const row = (await this.#database('jobs').where({ shop_id: shop, id }).first(columns)) as StoredRow | undefined;
    return row && toJobRow(row);
  }

  async create(shop: string, document: unknown, change: NewChange): Promise<JobRow> {
    return this.#database.transaction(async (trx) => {
      const [row] = (await trx('jobs')
        .insert({ shop_id: shop, revision: 1, document: JSON.stringify(document) })
        .returning(columns)) as StoredRow[];
      await this.#append(trx, shop, row!.id, 1, change);
      return toJobRow(row!);
    });
  }

  /**
   * Replaces a document if its revision is still the one that the change was based on. The row is locked meanwhile.
   *
   * @param describe - makes the change row from what is stored.
   * @returns the new row, or what is stored when it has moved on, or undefined when there is no such job.
   */
  async replace(
    shop: string,
    id: string,
    baseRevision: number,
    document: unknown,
    describe: (stored: unknown) => NewChange,
  ): Promise<{ saved: boolean; row: JobRow } | undefined> {
    return this.#database.transaction(async (trx) => {
      const stored = (await trx('jobs').where({ shop_id: shop, id }).forUpdate().first(columns)) as
        StoredRow | undefined;
      if (!stored) return undefined;
      if (stored.revision !== baseRevision) return { saved: false, row: toJobRow(stored) };
      const change = describe(stored.document);
      if (change.patch.length === 0) return { saved: true, row: toJobRow(stored) };
      const revision = stored.revision + 1;
      const [row] = (await trx('jobs')
        .where({ id })
        .update({ revision, document: JSON.stringify(document), saved_at: trx.fn.now() })
        .returning(columns)) as StoredRow[];
      await this.#append(trx, shop, id, revision, change);
      return { saved: true, row: toJobRow(row!) };
    });
  }

  async changes(shop: string, id: string): Promise<ChangeRow[]> {
    const rows = (await this.#database('job_changes')
      .where({ shop_id: shop, job_id: id })
      .orderBy('revision', 'desc')
      .limit(500)
      .select('revision', 'at', 'actor', 'summary', 'patch')) as (Omit<ChangeRow, 'at'> & { at: Date })[];
    return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
  }

  async #append(
    trx: Knex,
    shop: string,
    job: string,
    revision: number,
    { actor, summary, patch }: NewChange,
  ): Promise<void> {
    await trx('job_changes').insert({
      shop_id: shop,
      job_id: job,
      revision,
      actor,
      summary,
      patch: JSON.stringify(patch),
    });
  }
}
