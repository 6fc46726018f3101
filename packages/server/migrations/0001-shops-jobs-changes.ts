import type { Knex } from 'knex';

/** Shops, their jobs as validated documents with a revision, and the append-only table of changes. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('shops', (table) => {
    table.uuid('id').primary().defaultTo(knex.raw('gen_random_uuid()'));
    table.text('name').notNullable();
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.createTable('jobs', (table) => {
    table.uuid('id').primary().defaultTo(knex.raw('gen_random_uuid()'));
    table.uuid('shop_id').notNullable().references('shops.id');
    table.integer('revision').notNullable();
    table.jsonb('document').notNullable();
    table.timestamp('created_at').notNullable().defaultTo(knex.fn.now());
    table.timestamp('saved_at').notNullable().defaultTo(knex.fn.now());
    table.index(['shop_id', 'saved_at']);
  });
  await knex.schema.createTable('job_changes', (table) => {
    table.bigIncrements('id');
    table.uuid('shop_id').notNullable().references('shops.id');
    table.uuid('job_id').notNullable().references('jobs.id');
    table.integer('revision').notNullable();
    table.timestamp('at').notNullable().defaultTo(knex.fn.now());
    table.text('actor').notNullable();
    table.text('summary').notNullable();
    table.jsonb('patch').notNullable();
    table.unique(['job_id', 'revision']);
  });
  await knex.raw(`
    create function refuse_change() returns trigger language plpgsql as $$
    begin
      raise exception 'the table of changes is append-only';
    end $$`);
  await knex.raw(`
    create trigger job_changes_append_only before update or delete or truncate on job_changes
    for each statement execute function refuse_change()`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('job_changes').dropTable('jobs').dropTable('shops');
  await knex.raw('drop function refuse_change()');
}
