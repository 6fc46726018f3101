import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { networkInterfaces } from 'node:os';
import { fileURLToPath } from 'node:url';
import { composeApp } from './compose-app.ts';
import { readConfig } from './config.ts';
import { isDatabaseAway, openDatabase } from './database.ts';
import { isLoopback } from './http/allowed-hosts.ts';
import { answerUnreadable } from './http/answer-unreadable.ts';
import { loggable, makeLogger } from './logger.ts';

const PORTS_TO_TRY = 40;
const MOST_CONNECTIONS = 2000;
const PATIENCE = 20_000; // ms for the database to come
const PAUSE = 250; // ms between two looks

/** Listens on the preferred port, or on the next one that is free. */
async function listen(server: Server, host: string, preferred: number): Promise<number> {
  for (let i = 0; ; i++) {
    const port = preferred === 0 ? 0 : preferred + i;
    try {
      await new Promise<void>((resolve, reject) => {
        server.once('error', reject);
        server.listen(port, host, () => {
          server.off('error', reject);
          resolve();
        });
      });
      return (server.address() as { port: number }).port;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE' || i >= PORTS_TO_TRY) throw error;
    }
  }
}

/** Waits for a database that is just being started, such as after both were killed. */
async function onceThere<T>(make: () => Promise<T>): Promise<T> {
  const started = performance.now();
  for (let isSaid = false; ;) {
    try {
      return await make();
    } catch (error) {
      if (!isDatabaseAway(error) || performance.now() - started > PATIENCE) throw error;
      if (!isSaid) console.log('Waiting for the database ...');
      isSaid = true;
      await new Promise((resolve) => setTimeout(resolve, PAUSE));
    }
  }
}

/** @throws an Error that names the variable. */
function readSecret(name: string, file: string): Buffer {
  try {
    return readFileSync(file);
  } catch (error) {
    const why =
      (error as NodeJS.ErrnoException).code === 'EACCES'
        ? 'this user may not read it (started by root, the server runs as “nobody”)'
        : (error as Error).message;
    throw new Error(`${name}: ${file}: ${why}`, { cause: error });
  }
}

/** Where it can be asked for, as it stands in an address. */
function addressesOf(host: string, names: readonly string[]): string[] {
  if (host !== '0.0.0.0' && host !== '::') return [host.includes(':') ? `[${host}]` : host, ...names];
  const own = Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).filter((a) => a.family === 'IPv4' && !a.internal),
  );
  return ['localhost', ...own.map((a) => a.address), ...names];
}

async function main(): Promise<void> {
  const config = readConfig(process.env);
  const logger = makeLogger(config.logLevel);
  const database = openDatabase(config.databaseUrl);
  const { databaseUrl, loadDemo, host, names, tls } = config;
  const secrets = tls && { cert: readSecret('ENDREL_TLS_CERT', tls.cert), key: readSecret('ENDREL_TLS_KEY', tls.key) };
  const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const { app, close } = await onceThere(() =>
    composeApp(database, { databaseUrl, loadDemo, logger, webRoot, boundTo: host, names }),
  );
  const server = (secrets ? createSecureServer(secrets, app) : createServer(app)).on('clientError', answerUnreadable);
  server.maxConnections = MOST_CONNECTIONS;
  const port = await listen(server, config.host, config.port);
  const words = [
    ...(config.port === 0 || port === config.port
      ? []
      : [
          `Port ${config.port} is taken by another program, so Endrel is at ${port} this time.`,
          `What a page at the old address has not sent yet waits there: free port ${config.port} and start again to send it.`,
        ]),
    `Endrel is ready at ${addressesOf(host, names)
      .map((name) => `${tls ? 'https' : 'http'}://${name}:${port}/`)
      .join('  ')}   (Ctrl+C stops it)`,
    ...(isLoopback(host)
      ? []
      : [
          'There are no accounts yet: whoever reaches this address may read and change every job. Keep it to a network that you trust.',
        ]),
  ].join('\n');
  // who started it keeps the port before anybody hears of it
  if (process.send) process.send({ port, words });
  else console.log(words);

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.close(
      () =>
        void close()
          .then(() => database.destroy())
          .finally(() => process.exit(0)),
    );
    setTimeout(() => server.closeAllConnections(), 1000).unref(); // keep-alive connections would hold it open
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  if (config.stopWithInput) process.stdin.on('end', stop).on('error', stop).resume();
}

main().catch((error: unknown) => {
  console.error(`The server did not start: ${loggable((error as Error).message)}`);
  process.exit(1);
});
