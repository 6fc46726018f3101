import { spawn } from 'node:child_process';
import { ensureBuild } from './ensure-build.mjs';
import { ensureChromium } from './ensure-debian.mjs';
import { projectRoot } from './project-root.mjs';
import { startTemporaryPostgres } from './temporary-postgres.mjs';

/**
 * Starts the built application with the demo workshop on a database of its own, and a browser beside it, for as long as `use`
 * takes; leaves nothing running.
 */
export async function withDemoApp(use) {
  const { chromium } = await import('@playwright/test'); // not before the packages are there
  const database = await startTemporaryPostgres('demo', { fast: true });
  await ensureBuild();
  const server = spawn(process.execPath, ['packages/server/dist/main.js'], {
    cwd: projectRoot,
    env: { PATH: process.env.PATH, DATABASE_URL: database.url, ENDREL_PORT: '0', ENDREL_DEMO: 'yes' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = await new Promise((resolve) =>
    server.stdout.on('data', (chunk) => resolve(/http:\/\/[\d.]+:\d+/.exec(String(chunk))[0])),
  );
  const browser = await chromium.launch({ executablePath: await ensureChromium() });
  try {
    await use({ address, browser, databaseUrl: database.url });
  } finally {
    await browser.close();
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
    await database.stop();
  }
}
