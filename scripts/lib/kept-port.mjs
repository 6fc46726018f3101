import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/**
 * A port that a data folder's Endrel has had so far, its own or its database's. A browser keeps what was not sent by the address
 * it was typed at.
 */
export function keptPort(home, name = 'port') {
  const file = path.join(home, name);
  return {
    /** @returns undefined where none was chosen yet. */
    read() {
      try {
        const port = Number(readFileSync(file, 'utf8'));
        return Number.isInteger(port) && port > 0 && port < 65536 ? port : undefined;
      } catch {
        return undefined;
      }
    },
    write(port) {
      if (this.read() === port) return;
      writeFileSync(`${file}.new`, String(port));
      renameSync(`${file}.new`, file);
    },
  };
}
