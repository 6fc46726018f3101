import type { Knex } from 'knex';
import type { BenderRow } from '@endrel/core/job/bender';

/** The benders of a shop, always within that shop. */
export class BenderRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  async list(shop: string): Promise<BenderRow[]> {
    const rows = (await this.#database('benders').where({ shop_id: shop }).orderBy('id').select('bender')) as {
      bender: BenderRow;
    }[];
    return rows.map((row) => row.bender);
  }

  /**
   * Keeps a bender; one of the same id is replaced, which adds none.
   *
   * @returns false when it would be one more than `most`. Counted under a lock on the shop's row, so that posts at the same moment
   *   do not each find room.
   */
  async keep(shop: string, bender: BenderRow, most: number): Promise<boolean> {
    return this.#database.transaction(async (trx) => {
      await trx('shops').where({ id: shop }).forNoKeyUpdate().first('id');
      const others = (await trx('benders')
        .where({ shop_id: shop })
        .whereNot({ id: bender.id })
        .count({ n: '*' })
        .first()) as { n: string | number };
      if (Number(others.n) >= most) return false;
      await trx('benders')
        .insert({ shop_id: shop, id: bender.id, bender: JSON.stringify(bender) })
        .onConflict(['shop_id', 'id'])
        .merge(['bender']);
      return true;
    });
  }

  /** @returns whether there was one. */
  async drop(shop: string, id: string): Promise<boolean> {
    return (await this.#database('benders').where({ shop_id: shop, id }).delete()) > 0;
  }
}
