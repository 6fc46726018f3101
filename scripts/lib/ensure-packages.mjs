// Installs npm packages when the lockfile has changed since they were last installed here.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { oneAtATime } from './one-at-a-time.mjs';
import { projectRoot } from './project-root.mjs';

const marker = path.join(projectRoot, 'node_modules', '.endrel-installed');

const isInstalled = (lock) => existsSync(marker) && readFileSync(marker, 'utf8') === lock;

export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(projectRoot, 'package-lock.json')))
    .digest('hex');
  if (isInstalled(lock)) return;
  await oneAtATime('packages', () => {
    if (isInstalled(lock)) return; // another start was first
    console.log('Installing npm packages (once; about half a minute) ...');
    const { status } = spawnSync('npm', ['ci', '--ignore-scripts', '--no-fund', '--no-audit', '--loglevel=error'], {
      cwd: projectRoot,
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    if (status !== 0) throw new Error('npm ci failed: see the lines above. Endrel needs the npm registry once.');
    writeFileSync(marker, lock);
  });
}
