import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensureBuild } from './ensure-build.mjs';
import { ensureChromium, ensurePostgres } from './ensure-debian.mjs';
import { projectRoot } from './project-root.mjs';

/**
 * Starts the built application with the demo workshop on a database of its own, and a browser beside it, for as long as `use`
 * takes; leaves nothing running.
 */
export async function withDemoApp(use) {
  // not before the packages are there
  const { chromium } = await import('@playwright/test');
  const { startPrivatePostgres } = await import('./private-postgres.mjs');
  const temporary = mkdtempSync(path.join(os.tmpdir(), 'endrel-demo-'));
  chmodSync(temporary, 0o755); // the database's user passes through
  const database = await startPrivatePostgres(ensurePostgres(), path.join(temporary, 'data'), { fast: true });
  await ensureBuild();
  const server = spawn(process.execPath, ['--import', 'tsx', 'packages/server/src/main.ts'], {
    cwd: projectRoot,
    env: { PATH: process.env.PATH, DATABASE_URL: database.url, ENDREL_PORT: '0', ENDREL_DEMO: 'yes' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise((resolve) =>
    server.stdout.on('data', (chunk) => resolve(/http:\/\/[\d.]+:\d+/.exec(String(chunk))[0])),
  );
  const browser = await chromium.launch({ executablePath: ensureChromium() });
  try {
    await use({ address, browser, databaseUrl: database.url });
  } finally {
    await browser.close();
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
    await database.stop();
    rmSync(temporary, { recursive: true, force: true });
  }
}
