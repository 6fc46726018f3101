import type { Knex } from 'knex';
import * as shopsJobsChanges from './0001-shops-jobs-changes.ts';
import * as pumps from './0002-pumps.ts';
import * as acts from './0003-acts.ts';
import * as listInPages from './0004-list-in-pages.ts';
import * as quickCompression from './0005-quick-compression.ts';
import * as shopPrepared from './0006-shop-prepared.ts';
import * as shelf from './0007-shelf.ts';
import * as benders from './0008-benders.ts';
import * as lastReadable from './0009-last-readable.ts';

/** In the order in which they are done. The names stand in every database: they are never changed. */
const migrations: Readonly<Record<string, Knex.Migration>> = {
  '0001-shops-jobs-changes.ts': shopsJobsChanges,
  '0002-pumps.ts': pumps,
  '0003-acts.ts': acts,
  '0004-list-in-pages.ts': listInPages,
  '0005-quick-compression.ts': quickCompression,
  '0006-shop-prepared.ts': shopPrepared,
  '0007-shelf.ts': shelf,
  '0008-benders.ts': benders,
  '0009-last-readable.ts': lastReadable,
};

/** Named in code rather than found in a folder, so that they are built into the server. */
export const migrationSource: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(Object.keys(migrations)),
  getMigrationName: (name) => name,
  getMigration: (name) => Promise.resolve(migrations[name]!),
};
