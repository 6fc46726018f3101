// npm start: installs what is missing, builds, starts the database and the server, and stops everything cleanly.
import { spawn, spawnSync } from 'node:child_process';
import path from 'node:path';
import { ensureBuild } from './lib/ensure-build.mjs';
import { ensurePostgres } from './lib/ensure-debian.mjs';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { dataHome } from './lib/data-home.mjs';
import { projectRoot } from './lib/project-root.mjs';

const usage =
  'npm start -- [--empty] [--port N]\n  --empty  do not load the demo workshop into an empty database\n  --port N  preferred port (8400)';

let database;
let server;
let stopping = false;

/** Stops server, then database. Safe to call twice. */
async function stop(code) {
  if (stopping) return;
  stopping = true;
  if (server && server.exitCode === null) {
    server.kill('SIGTERM');
    await new Promise((resolve) => {
      server.once('exit', resolve);
      setTimeout(() => server.kill('SIGKILL'), 8000).unref();
    });
  }
  await database?.stop();
  process.exit(code);
}

/** Root's server runs as nobody wherever that user can read the project: it needs no rights at all. */
function serverUser() {
  if (process.getuid?.() !== 0) return {};
  const nobody = { uid: 65534, gid: 65534 };
  const check = `require('fs').accessSync(${JSON.stringify(path.join(projectRoot, 'packages/server/src/main.ts'))});require('fs').accessSync(${JSON.stringify(path.join(projectRoot, 'node_modules/tsx/package.json'))})`;
  const { status } = spawnSync(process.execPath, ['-e', check], { ...nobody, cwd: '/', stdio: 'ignore' });
  return status === 0 ? nobody : {};
}

/** npm that is killed outright cannot pass the signal on: its going is noticed instead. */
function stopWithNpm() {
  if (!process.env.npm_lifecycle_event) return;
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && void stop(0), 500).unref();
}

async function main() {
  const args = process.argv.slice(2);
  if (args.includes('--help')) return console.log(usage);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  stopWithNpm();
  ensurePackages();
  let url = process.env.DATABASE_URL;
  if (!url) {
    const bin = ensurePostgres();
    const { startPrivatePostgres } = await import('./lib/private-postgres.mjs');
    database = await startPrivatePostgres(bin, dataHome());
    url = database.url;
  }
  await ensureBuild();
  if (stopping) return;
  const portAt = args.indexOf('--port');
  server = spawn(process.execPath, ['--import', 'tsx', 'packages/server/src/main.ts'], {
    ...serverUser(),
    cwd: projectRoot,
    stdio: ['pipe', 'inherit', 'inherit'], // the pipe closes when this script dies, however it dies, and the server then stops
    detached: true, // Ctrl+C reaches this script alone, which stops the server and then the database
    env: {
      PATH: process.env.PATH,
      NODE_ENV: 'production',
      DATABASE_URL: url,
      ENDREL_PORT: portAt >= 0 ? args[portAt + 1] : (process.env.ENDREL_PORT ?? '8400'),
      ENDREL_HOST: process.env.ENDREL_HOST ?? '127.0.0.1',
      ENDREL_DEMO: args.includes('--empty') ? 'no' : 'yes',
      ENDREL_STOP_WITH_INPUT: 'yes',
      ENDREL_LOG: process.env.ENDREL_LOG ?? 'warn',
    },
  });
  server.on('exit', (code) => void stop(stopping ? 0 : (code ?? 1)));
}

main().catch(async (error) => {
  console.error(`\nEndrel did not start. ${error.message}`);
  await stop(1);
});
