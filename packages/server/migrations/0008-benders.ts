import type { Knex } from 'knex';

/** The benders of a shop, as they were measured. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('benders', (table) => {
    table.uuid('shop_id').notNullable().references('shops.id').onDelete('cascade');
    table.text('id').notNullable();
    table.jsonb('bender').notNullable();
    table.primary(['shop_id', 'id']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('benders');
}
