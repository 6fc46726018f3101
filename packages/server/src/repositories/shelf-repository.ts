import type { Knex } from 'knex';
import type { ShelfPart } from '@endrel/core/fittings/stock';

const AT_ONCE = 500; // rows of one statement

/** What lies on a shop's shelf, always within that shop. */
export class ShelfRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  /** All of it as JSON text of a `ShelfPart` each: a full shelf is passed on, not read. */
  async list(shop: string): Promise<string[]> {
    const rows = (await this.#database('shelf_parts')
      .where({ shop_id: shop })
      .orderBy('code')
      .select(
        this.#database.raw(
          `json_strip_nulls(json_build_object('adapter', adapter, 'count', count, 'note', note))::text as part`,
        ),
      )) as { part: string }[];
    return rows.map((row) => row.part);
  }

  /**
   * Keeps parts, all or none; those of a code that is there already are replaced.
   *
   * @returns false when the shelf would then hold more than `most`. Counted under a lock on the shop's row.
   */
  async keep(shop: string, parts: readonly ShelfPart[], most: number, on?: Knex.Transaction): Promise<boolean> {
    const work = async (trx: Knex.Transaction): Promise<boolean> => {
      await trx('shops').where({ id: shop }).forNoKeyUpdate().first('id');
      const codes = parts.map((p) => p.adapter.code);
      const others = (await trx('shelf_parts')
        .where({ shop_id: shop })
        .whereNotIn('code', codes)
        .count({ n: '*' })
        .first()) as { n: string | number };
      if (Number(others.n) + parts.length > most) return false;
      for (let i = 0; i < parts.length; i += AT_ONCE)
        await trx('shelf_parts')
          .insert(
            parts.slice(i, i + AT_ONCE).map(({ adapter, count, note }) => ({
              shop_id: shop,
              code: adapter.code,
              adapter: JSON.stringify(adapter),
              count,
              note: note ?? null,
            })),
          )
          .onConflict(['shop_id', 'code'])
          .merge(['adapter', 'count', 'note']);
      return true;
    };
    return on ? work(on) : this.#database.transaction(work);
  }

  /** @returns whether there was one. */
  async drop(shop: string, code: string): Promise<boolean> {
    return (await this.#database('shelf_parts').where({ shop_id: shop, code }).delete()) > 0;
  }
}
