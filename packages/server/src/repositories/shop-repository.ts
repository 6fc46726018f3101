import type { Knex } from 'knex';

/** Shops. Until accounts come there is one, made at the first start. */
export class ShopRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  /** The one shop, made under a lock so that two first starts make one. */
  async ensureOnly(name: string): Promise<{ id: string; name: string; isNew: boolean }> {
    return this.#database.transaction(async (trx) => {
      await trx.raw('lock table shops in exclusive mode');
      const found = (await trx('shops').orderBy('created_at').first('id', 'name')) as
        { id: string; name: string } | undefined;
      if (found) return { ...found, isNew: false };
      const [made] = (await trx('shops').insert({ name }).returning(['id', 'name'])) as { id: string; name: string }[];
      return { ...made!, isNew: true };
    });
  }
}
