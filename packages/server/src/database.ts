import { fileURLToPath } from 'node:url';
import createKnex, { type Knex } from 'knex';

/** A pool on the database. Parametrised statements only: Knex builders or bindings. */
export function openDatabase(connection: string): Knex {
  return createKnex({
    client: 'pg',
    connection,
    pool: { min: 0, max: 8 },
    acquireConnectionTimeout: 10_000,
    migrations: {
      directory: fileURLToPath(new URL('../migrations', import.meta.url)),
      extension: 'ts',
      loadExtensions: ['.ts'],
    },
  });
}

/** Brings the database to the current shape. Safe to run twice at once: Knex holds a lock. */
export async function migrate(database: Knex): Promise<void> {
  await database.migrate.latest();
}
