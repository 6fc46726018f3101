import type { Knex } from 'knex';

/** What lies on the shop's shelf: parts by their code, as validated on the way in, and how many. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('shelf_parts', (table) => {
    table.uuid('shop_id').notNullable().references('shops.id');
    table.text('code').notNullable();
    table.jsonb('adapter').notNullable();
    table.integer('count').notNullable();
    table.text('note');
    table.primary(['shop_id', 'code']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('shelf_parts');
}
