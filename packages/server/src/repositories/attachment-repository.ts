import type { Knex } from 'knex';

/** Large things by the digest of what they hold: stored once per shop. */
export class AttachmentRepository {
  readonly #database: Knex;
  constructor(database: Knex) {
    this.#database = database;
  }

  async keep(shop: string, digest: string, content: string): Promise<void> {
    await this.#database('attachments')
      .insert({ shop_id: shop, digest, content })
      .onConflict(['shop_id', 'digest'])
      .ignore();
  }

  async has(shop: string, digest: string): Promise<boolean> {
    return (await this.#database('attachments').where({ shop_id: shop, digest }).first('digest')) !== undefined;
  }

  async find(shop: string, digest: string): Promise<string | undefined> {
    const row = (await this.#database('attachments').where({ shop_id: shop, digest }).first('content')) as
      { content: string } | undefined;
    return row?.content;
  }
}
