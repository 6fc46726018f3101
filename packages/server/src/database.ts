import createKnex, { type Knex } from 'knex';
import { Client } from 'pg';
import { migrationSource } from '../migrations/index.ts';

const silent = { warn: () => undefined, error: () => undefined, debug: () => undefined, deprecate: () => undefined };

/** A pool on the database. Parametrised statements only: Knex builders or bindings. */
export function openDatabase(connection: string): Knex {
  return createKnex({
    client: 'pg',
    connection,
    pool: { min: 0, max: 8 },
    acquireConnectionTimeout: 10_000,
    compileSqlOnError: false, // or what was typed would stand in the message of an error, and in the log
    log: silent, // what fails is thrown too, and logged once by who meets it
    migrations: { migrationSource },
  });
}

const LOCK = 8_400_001; // of advisory locks, Endrel's own

/**
 * Brings the database to the current shape and then makes it ready for use, one at a time: others who come, in this process or
 * another, wait. A start that was killed leaves no lock behind, since the lock ends with its connection.
 */
export async function underStartLock<T>(connection: string, make: () => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: connection });
  client.on('error', () => undefined); // the query that needs it fails
  try {
    await client.connect();
    await client.query('select pg_advisory_lock($1)', [LOCK]);
    return await make();
  } finally {
    await client.end().catch(() => undefined); // it may be broken already
  }
}

/** Brings the database to the current shape. Call it under the start lock. */
export async function migrate(database: Knex): Promise<void> {
  // nobody else is at it: a lock of Knex's own was left by somebody who was killed
  await database.migrate.forceFreeMigrationsLock();
  await database.migrate.latest();
}

/** Whether it answers at all. @throws as any query does when it is away. */
export async function ping(database: Knex): Promise<void> {
  await database.raw('select 1');
}

/** PostgreSQL's own classes and codes for a server that goes, comes, or has no room. */
const away = /^(08...|57P0[1-5]|53300)$/;
const awayCodes = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOTFOUND', 'ETIMEDOUT']);

/** Whether an error says that the database cannot be reached: then it is not known what became of what was asked last. */
export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code, message, name } = error as Error & { code?: unknown };
  if (typeof code === 'string' && (away.test(code) || awayCodes.has(code))) return true;
  if (name === 'KnexTimeoutError') return true;
  return /Connection terminated|Client has encountered a connection error|connection was closed|not queryable/i.test(
    message,
  );
}
