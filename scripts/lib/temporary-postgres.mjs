import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensurePostgres } from './ensure-debian.mjs';
import { startPrivatePostgres } from './private-postgres.mjs';

/** A private PostgreSQL that is gone once it is stopped: for tests, measurements and pictures. `what` names its folder. */
export async function startTemporaryPostgres(what, options) {
  const bin = await ensurePostgres();
  const folder = mkdtempSync(path.join(os.tmpdir(), `endrel-${what}-`));
  chmodSync(folder, 0o755); // the database's user passes through
  const remove = () => rmSync(folder, { recursive: true, force: true });
  try {
    const database = await startPrivatePostgres(bin, path.join(folder, 'data'), options);
    return { ...database, stop: () => database.stop().finally(remove) };
  } catch (error) {
    remove();
    throw error;
  }
}
