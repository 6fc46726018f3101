import { createServer, type Server } from 'node:http';
import { fileURLToPath } from 'node:url';
import { composeApp } from './compose-app.ts';
import { readConfig } from './config.ts';
import { isDatabaseAway, openDatabase } from './database.ts';
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

async function main(): Promise<void> {
  const config = readConfig(process.env);
  const logger = makeLogger(config.logLevel);
  const database = openDatabase(config.databaseUrl);
  const { databaseUrl, loadDemo, host } = config;
  const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const { app, close } = await onceThere(() =>
    composeApp(database, { databaseUrl, loadDemo, logger, webRoot, boundTo: host }),
  );
  const server = createServer(app).on('clientError', answerUnreadable);
  server.maxConnections = MOST_CONNECTIONS;
  const port = await listen(server, config.host, config.port);
  const words = [
    ...(config.port === 0 || port === config.port
      ? []
      : [
          `Port ${config.port} is taken by another program, so Endrel is at ${port} this time.`,
          `What a page at the old address has not sent yet waits there: free port ${config.port} and start again to send it.`,
        ]),
    `Endrel is ready at http://${config.host}:${port}/   (Ctrl+C stops it)`,
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
