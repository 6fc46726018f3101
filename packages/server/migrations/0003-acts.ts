import type { Knex } from 'knex';

/**
 * A change is the act that was done; large things are attachments by digest; what the list shows is kept with the job; a job can
 * be put away, and deleted: then its document goes and its history stays. Rows of before keep their JSON Patch.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('job_changes', (table) => {
    table.setNullable('patch');
    table.jsonb('act');
    table.text('act_id');
    table.text('client');
    table.jsonb('fields');
    table.unique(['job_id', 'act_id']);
  });
  await knex.schema.alterTable('jobs', (table) => {
    table.jsonb('summary');
    table.integer('summary_revision');
    table.timestamp('put_away_at');
    table.timestamp('deleted_at');
  });
  await knex.schema.createTable('attachments', (table) => {
    table.uuid('shop_id').notNullable().references('shops.id');
    table.text('digest').notNullable();
    table.text('content').notNullable();
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.primary(['shop_id', 'digest']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('attachments');
  await knex.schema.alterTable('jobs', (table) =>
    table.dropColumns('summary', 'summary_revision', 'put_away_at', 'deleted_at'),
  );
  await knex.schema.alterTable('job_changes', (table) => table.dropColumns('act', 'act_id', 'client', 'fields'));
}
