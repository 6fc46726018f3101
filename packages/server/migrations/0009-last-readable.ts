import type { Knex } from 'knex';

/**
 * The last document of a job that was read whole, to go back to when what is stored cannot be read; and the table of changes lets
 * go of what belongs to a job that is deleted for good, and of nothing else.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('readable_jobs', (table) => {
    table.uuid('job_id').primary().references('jobs.id');
    table.uuid('shop_id').notNullable().references('shops.id');
    table.integer('revision').notNullable();
    table.jsonb('document').notNullable();
  });
  await knex.raw(`
    do $$ begin
      alter table readable_jobs alter column document set compression lz4;
    exception when feature_not_supported then null;
    end $$`);
  await knex.raw('drop trigger job_changes_append_only on job_changes');
  await knex.raw(`
    create trigger job_changes_append_only before update or truncate on job_changes
    for each statement execute function refuse_change()`);
  await knex.raw(`
    create function refuse_change_of_job_at_hand() returns trigger language plpgsql as $$
    begin
      if exists (select 1 from jobs where id = old.job_id and deleted_at is null) then
        raise exception 'the table of changes is append-only';
      end if;
      return old;
    end $$`);
  await knex.raw(`
    create trigger job_changes_kept before delete on job_changes
    for each row execute function refuse_change_of_job_at_hand()`);
  // of jobs that were deleted before, all but the empty row goes now
  await knex.raw('delete from job_changes where job_id in (select id from jobs where deleted_at is not null)');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop trigger job_changes_kept on job_changes');
  await knex.raw('drop function refuse_change_of_job_at_hand()');
  await knex.raw('drop trigger job_changes_append_only on job_changes');
  await knex.raw(`
    create trigger job_changes_append_only before update or delete or truncate on job_changes
    for each statement execute function refuse_change()`);
  await knex.schema.dropTable('readable_jobs');
}
