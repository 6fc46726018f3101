// Builds the web application and the server when any of its sources changed since the last build.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { oneAtATime } from './one-at-a-time.mjs';
import { projectRoot } from './project-root.mjs';
import { writeNotices } from './write-notices.mjs';

const sources = [
  'packages/core/src',
  'packages/web/src',
  'packages/web/public',
  'packages/web/index.html',
  'packages/web/vite.config.ts',
  'packages/server/src',
  'packages/server/migrations',
  'packages/server/vite.config.ts',
  'package-lock.json',
];
const stamp = path.join(projectRoot, 'packages/web/dist/.built-from');

function* filesUnder(file) {
  if (!statSync(file).isDirectory()) yield file;
  else for (const name of readdirSync(file).sort()) yield* filesUnder(path.join(file, name));
}

export async function ensureBuild() {
  const hash = createHash('sha256');
  for (const source of sources)
    for (const file of filesUnder(path.join(projectRoot, source))) {
      if (file.endsWith('.test.ts')) continue;
      hash.update(file.slice(projectRoot.length)).update(readFileSync(file));
    }
  const built = hash.digest('hex');
  if (isBuilt(built)) return;
  await oneAtATime('build', async () => {
    if (isBuilt(built)) return; // another start was first
    console.log('Building the application ...');
    const { build } = await import('vite');
    for (const name of ['server', 'web'])
      await build({ root: path.join(projectRoot, 'packages', name), logLevel: 'warn' });
    writeNotices(path.join(projectRoot, 'packages/web/dist/notices.txt'));
    writeFileSync(stamp, built); // last: a build that was killed is done again
  });
}

const isBuilt = (built) => existsSync(stamp) && readFileSync(stamp, 'utf8') === built;
