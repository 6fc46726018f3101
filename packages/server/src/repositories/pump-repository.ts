import type { Knex } from 'knex';
import type { ShopPump } from '@endrel/core/contract/api';
import type { PumpTable } from '@endrel/core/pumps/pump-table';

/** The pumps that a shop keeps for itself, always within that shop. */
export class PumpRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  /** All of them, each as JSON text of a `ShopPump`: a full library is passed on, not read. */
  async list(shop: string): Promise<string[]> {
    const rows = (await this.#database('pumps')
      .where({ shop_id: shop })
      .orderBy('name')
      .select(this.#database.raw(`json_build_object('id', id, 'name', name, 'tables', tables)::text as pump`))) as {
      pump: string;
    }[];
    return rows.map((row) => row.pump);
  }

  /**
   * Keeps a pump; one of the same name is replaced, which adds none.
   *
   * @returns undefined when it would be one more than `most`. They are counted under a lock on the shop's row, so that posts at
   *   the same moment do not each find room.
   */
  async keep(shop: string, name: string, tables: readonly PumpTable[], most: number): Promise<ShopPump | undefined> {
    return this.#database.transaction(async (trx) => {
      await trx('shops').where({ id: shop }).forNoKeyUpdate().first('id');
      const others = (await trx('pumps').where({ shop_id: shop }).whereNot({ name }).count({ n: '*' }).first()) as {
        n: string | number;
      };
      if (Number(others.n) >= most) return undefined;
      const [row] = (await trx('pumps')
        .insert({ shop_id: shop, name, tables: JSON.stringify(tables) })
        .onConflict(['shop_id', 'name'])
        .merge(['tables'])
        .returning(['id', 'name', 'tables'])) as ShopPump[];
      return row;
    });
  }

  /** @returns whether there was one. */
  async drop(shop: string, id: string): Promise<boolean> {
    return (await this.#database('pumps').where({ shop_id: shop, id }).delete()) > 0;
  }
}
