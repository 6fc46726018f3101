// Where the private PostgreSQL keeps its data, and as whom it runs.
import { createHash } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { projectRoot } from './project-root.mjs';

/** PostgreSQL refuses to run as root: then it runs as Debian's own user for it. */
export function databaseUser() {
  if (process.getuid?.() !== 0) return {};
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((l) => l.startsWith('postgres:'));
  if (!line) throw new Error('There is no user “postgres” to run the database as: reinstall the package postgresql.');
  const [, , uid, gid] = line.split(':');
  return { uid: Number(uid), gid: Number(gid) };
}

/** ENDREL_DATA, or a place of this project's own that no clean-up of temporary files touches. */
export function dataHome() {
  if (process.env.ENDREL_DATA) return path.resolve(process.env.ENDREL_DATA);
  const name = `endrel-${createHash('sha256').update(projectRoot).digest('hex').slice(0, 10)}`;
  if (process.getuid?.() === 0) return path.join('/var/lib', name); // a folder only root can enter would shut PostgreSQL out
  return path.join(process.env.XDG_DATA_HOME || path.join(os.homedir(), '.local', 'share'), name);
}

/** Makes the folder, private to the database's user. Refuses one that belongs to somebody else or holds something else. */
export function prepareHome(home, { uid, gid }) {
  if (!existsSync(home)) {
    mkdirSync(home, { recursive: true, mode: 0o700 });
    if (uid !== undefined) chownSync(home, uid, gid);
  }
  const owner = statSync(home).uid;
  const wanted = uid ?? process.getuid();
  if (owner !== wanted) {
    if (readdirSync(home).length > 0 || process.getuid() !== 0)
      throw new Error(
        `The data folder ${home} belongs to another user (uid ${owner}). ${
          uid === undefined
            ? 'Set ENDREL_DATA to a folder of your own.'
            : `A copy that root made has to be handed over first: chown -R postgres: '${home}'. Or set ENDREL_DATA to another folder.`
        }`,
      );
    chownSync(home, uid, gid);
  }
  if ((statSync(home).mode & 0o777) !== 0o700) chmodSync(home, 0o700); // made beforehand, or copied
}
