import { randomBytes } from 'node:crypto';
import { chownSync, existsSync, linkSync, readFileSync, rmSync, writeFileSync } from 'node:fs';

/** Two secrets of a cluster: the superuser's, which only these scripts read, and that of the role the application has. */
export const secretFiles = { admin: 'password', role: 'role-password' };

/** Writes a new secret into a file, unless it holds one; of two who do it at once, both have the same afterwards. */
export function ensureSecret(file, { uid, gid }) {
  if (!existsSync(file)) {
    const made = `${file}.${process.pid}`;
    writeFileSync(made, randomBytes(24).toString('hex'), { mode: 0o600 });
    if (uid !== undefined) chownSync(made, uid, gid);
    try {
      linkSync(made, file); // whole, and only where nobody was first
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
    }
    rmSync(made);
  }
  return readFileSync(file, 'utf8').trim();
}
