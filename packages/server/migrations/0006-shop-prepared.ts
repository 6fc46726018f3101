import type { Knex } from 'knex';

/**
 * When a shop was made ready, with the demo workshop or without: a first start that was killed is taken up again. A shop that has
 * jobs, or was begun empty, is ready.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('shops', (table) => table.timestamp('prepared_at'));
  await knex.raw(
    `update shops set prepared_at = created_at where name = 'The workshop' or exists (select 1 from jobs where shop_id = shops.id)`,
  );
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('shops', (table) => table.dropColumn('prepared_at'));
}
