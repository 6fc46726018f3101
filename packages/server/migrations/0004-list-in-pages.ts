import type { Knex } from 'knex';

/** What a job is found by stands beside its document, so that a long list is searched and paged without reading documents. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table jobs add column sought text generated always as (
      lower((coalesce(document->>'name', '') || ' ' || coalesce(document->>'vehicle', '')) collate "und-x-icu")
    ) stored`);
  await knex.raw(
    `create index jobs_listed on jobs (shop_id, (put_away_at is not null), saved_at desc, id desc) where deleted_at is null`,
  );
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop index jobs_listed');
  await knex.raw('alter table jobs drop column sought');
}
