import { createHash } from 'node:crypto';
import { createServer } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { projectRoot } from './project-root.mjs';

const WAIT = 200; // ms

/**
 * Does something for which there is one place in this folder, while others who start here wait. The lock is a name that the kernel
 * holds for as long as the process lives (an abstract socket), so a start that is killed leaves none behind.
 */
export async function oneAtATime(what, make) {
  const name = `\0endrel-${createHash('sha256').update(`${projectRoot} ${what}`).digest('hex').slice(0, 24)}`;
  const lock = createServer();
  for (;;) {
    const held = await new Promise((resolve, reject) => {
      lock.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(false) : reject(error)));
      lock.listen(name, () => resolve(true));
    });
    if (held) break;
    await sleep(WAIT);
  }
  try {
    return await make();
  } finally {
    await new Promise((resolve) => lock.close(resolve));
  }
}
