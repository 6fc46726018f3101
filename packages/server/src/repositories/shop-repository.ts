import type { Knex } from 'knex';

export interface Shop {
  readonly id: string;
  readonly name: string;
  /** Whether its first start came to its end. */
  readonly isPrepared: boolean;
}

/** Shops. Until accounts come there is one, made at the first start. */
export class ShopRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  /** The one shop, made under a lock so that two first starts make one. */
  async ensureOnly(name: string): Promise<Shop> {
    return this.#database.transaction(async (trx) => {
      await trx.raw('lock table shops in exclusive mode');
      const found = (await trx('shops').orderBy('created_at').first('id', 'name', 'prepared_at')) as
        { id: string; name: string; prepared_at: Date | null } | undefined;
      if (found) return { id: found.id, name: found.name, isPrepared: found.prepared_at !== null };
      const [made] = (await trx('shops').insert({ name }).returning(['id', 'name'])) as { id: string; name: string }[];
      return { ...made!, isPrepared: false };
    });
  }

  /** Makes a shop ready: what is done in the transaction and that it is ready, both or neither. */
  async prepare(id: string, fill: (trx: Knex.Transaction) => Promise<void>): Promise<void> {
    await this.#database.transaction(async (trx) => {
      await fill(trx);
      await trx('shops').where({ id }).update({ prepared_at: trx.fn.now() });
    });
  }
}
