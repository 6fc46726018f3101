import type { Knex } from 'knex';

/** The shop's own pumps: a name and its flow tables, as validated on the way in. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('pumps', (table) => {
    table.uuid('id').primary().defaultTo(knex.raw('gen_random_uuid()'));
    table.uuid('shop_id').notNullable().references('shops.id');
    table.text('name').notNullable();
    table.jsonb('tables').notNullable();
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.unique(['shop_id', 'name']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('pumps');
}
