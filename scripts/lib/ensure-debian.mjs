// Debian packages: installed through apt when root, otherwise the exact line to run is said.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { oneAtATime } from './one-at-a-time.mjs';

/** Folder of the newest PostgreSQL's server programs, or undefined. Debian keeps them off the PATH. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return undefined;
  const versions = readdirSync(base).sort((a, b) => Number(b) - Number(a));
  return versions.map((v) => path.join(base, v, 'bin')).find((bin) => existsSync(path.join(bin, 'initdb')));
}

/** The shell has no windows and bars of its own to draw: tests take a third less time in it. */
const CHROMIUM = 'chromium-headless-shell';
export const chromiumProgram = () => [`/usr/bin/${CHROMIUM}`, '/usr/bin/chromium'].find((file) => existsSync(file));

export async function ensurePostgres() {
  const found = postgresPrograms();
  if (found) return found;
  if (process.getuid?.() === 0) {
    // no cluster of Debian's own on port 5432: Endrel runs a private one
    mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true });
    writeFileSync('/etc/postgresql-common/createcluster.d/endrel.conf', 'create_main_cluster = false\n');
  }
  await install('postgresql', 'PostgreSQL', postgresPrograms);
  return postgresPrograms() ?? fail('postgresql', 'PostgreSQL');
}

export async function ensureChromium() {
  if (!chromiumProgram()) await install(CHROMIUM, 'Chromium', chromiumProgram);
  return chromiumProgram() ?? fail(CHROMIUM, 'Chromium');
}

async function install(name, title, isThere) {
  if (process.getuid?.() !== 0) fail(name, title);
  await oneAtATime('debian', () => {
    if (isThere()) return; // another start was first
    console.log(`Installing Debian's ${title} (once) ...`);
    const apt = (...args) =>
      spawnSync('apt-get', args, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      });
    apt('update', '-qq');
    apt('install', '-y', '-qq', '--no-install-recommends', name);
  });
}

function fail(name, title) {
  throw new Error(
    `${title} is missing. Run this once, then start again:\n  sudo apt-get update && sudo apt-get install -y --no-install-recommends ${name}`,
  );
}
