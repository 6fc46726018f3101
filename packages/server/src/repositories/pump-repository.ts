import type { Knex } from 'knex';
import type { ShopPump } from '@endrel/core/contract/api';
import type { PumpTable } from '@endrel/core/parts/pump/pump-table';

const columns = ['id', 'name', 'tables'];

/** The pumps that a shop keeps for itself, always within that shop. */
export class PumpRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  async list(shop: string): Promise<ShopPump[]> {
    return (await this.#database('pumps').where({ shop_id: shop }).orderBy('name').select(columns)) as ShopPump[];
  }

  /** Keeps a pump; one of the same name is replaced. */
  async keep(shop: string, name: string, tables: readonly PumpTable[]): Promise<ShopPump> {
    const [row] = (await this.#database('pumps')
      .insert({ shop_id: shop, name, tables: JSON.stringify(tables) })
      .onConflict(['shop_id', 'name'])
      .merge(['tables'])
      .returning(columns)) as ShopPump[];
    return row!;
  }

  async count(shop: string): Promise<number> {
    const [row] = (await this.#database('pumps').where({ shop_id: shop }).count({ n: '*' })) as {
      n: string | number;
    }[];
    return Number(row!.n);
  }

  /** @returns whether there was one. */
  async drop(shop: string, id: string): Promise<boolean> {
    return (await this.#database('pumps').where({ shop_id: shop, id }).delete()) > 0;
  }
}
