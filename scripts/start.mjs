// npm start: installs what is missing, builds, starts the database and the server, and stops everything cleanly.
import { spawn, spawnSync } from 'node:child_process';
import path from 'node:path';
import { ensureBuild } from './lib/ensure-build.mjs';
import { ensurePostgres } from './lib/ensure-debian.mjs';
import { ensurePackages } from './lib/ensure-packages.mjs';
import { dataHome } from './lib/data-home.mjs';
import { keptPort } from './lib/kept-port.mjs';
import { projectRoot } from './lib/project-root.mjs';

const usage =
  'npm start -- [--empty] [--port N]\n  --empty  do not load the demo workshop into an empty database\n  --port N  preferred port (8400, and from then on the one that was chosen)';

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
  const check = ['packages/server/dist/main.js', 'node_modules/express/package.json']
    .map((file) => `require('fs').accessSync(${JSON.stringify(path.join(projectRoot, file))});`)
    .join('');
  const { status } = spawnSync(process.execPath, ['-e', check], { ...nobody, cwd: '/', stdio: 'ignore' });
  return status === 0 ? nobody : {};
}

/** npm that is killed outright cannot pass the signal on: its going is noticed instead. */
function stopWithNpm() {
  if (!process.env.npm_lifecycle_event) return;
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && void stop(0), 500).unref();
}

const passedOn = (names) =>
  Object.fromEntries(names.filter((name) => process.env[name]).map((name) => [name, process.env[name]]));

const MOST_RESTARTS = 5; // of the server in a minute: more is no accident

/** Starts the server; one that dies though nobody stopped it is started again at the port that it had. */
function serve(url, args, port, { onPort }) {
  const restarts = [];
  const start = (at) => {
    let ready = false;
    server = spawn(process.execPath, ['packages/server/dist/main.js'], {
      ...serverUser(),
      cwd: projectRoot,
      // the pipe closes when this script dies, however it dies, and the server then stops
      stdio: ['pipe', 'inherit', 'inherit', 'ipc'],
      detached: true, // Ctrl+C reaches this script alone, which stops the server and then the database
      env: {
        PATH: process.env.PATH,
        NODE_ENV: 'production',
        DATABASE_URL: url,
        ENDREL_PORT: String(at),
        ENDREL_HOST: process.env.ENDREL_HOST ?? '127.0.0.1',
        ...passedOn(['ENDREL_NAMES', 'ENDREL_TLS_CERT', 'ENDREL_TLS_KEY']),
        ENDREL_DEMO: args.includes('--empty') ? 'no' : 'yes',
        ENDREL_STOP_WITH_INPUT: 'yes',
        ENDREL_LOG: process.env.ENDREL_LOG ?? 'warn',
      },
    });
    let last = at;
    server.on('message', (message) => {
      ready = true;
      last = message.port;
      onPort(last);
      console.log(message.words);
    });
    server.on('exit', (code) => {
      const now = Date.now();
      const recent = restarts.filter((at) => now - at < 60_000).length;
      if (stopping || code === 0 || !ready || recent >= MOST_RESTARTS) return void stop(stopping ? 0 : (code ?? 1));
      console.log('The server has ended unexpectedly; starting it again ...');
      restarts.push(now);
      start(last);
    });
  };
  start(port);
}

async function main() {
  const args = process.argv.slice(2);
  if (args.includes('--help')) return console.log(usage);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  stopWithNpm();
  await ensurePackages();
  const portAt = args.indexOf('--port');
  const wanted = portAt >= 0 ? args[portAt + 1] : process.env.ENDREL_PORT;
  let url = process.env.DATABASE_URL;
  let kept; // the port of before: pages keep what they have not sent by their address
  if (!url) {
    const bin = await ensurePostgres();
    const { startPrivatePostgres } = await import('./lib/private-postgres.mjs');
    const onLost = (error) => {
      console.error(`\n${error.message}`);
      void stop(1);
    };
    database = await startPrivatePostgres(bin, dataHome(), { onLost });
    url = database.url;
    kept = keptPort(dataHome());
  }
  await ensureBuild();
  if (stopping) return;
  const port = wanted ?? kept?.read() ?? 8400;
  serve(url, args, port, {
    onPort(got) {
      // one that was only lent since the wanted one is taken is not kept, nor is any of `--port 0`
      if (Number(port) !== 0 && (got === Number(port) || kept?.read() === undefined)) kept?.write(got);
    },
  });
}

main().catch(async (error) => {
  console.error(`\nEndrel did not start. ${error.message}`);
  await stop(1);
});
