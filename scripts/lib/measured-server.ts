import { createServer, type IncomingMessage } from 'node:http';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { Worker } from 'node:worker_threads';
import pg from 'pg';
import { composeApp } from '../../packages/server/src/compose-app.ts';
import { openDatabase } from '../../packages/server/src/database.ts';
import { makeLogger } from '../../packages/server/src/logger.ts';
import { startTemporaryPostgres } from './temporary-postgres.mjs';

export interface MeasuredServer {
  readonly address: string;
  readonly database: pg.Client;
  /** From the last byte of a request to the last byte of its answer, ms, by what was asked. */
  readonly times: Map<string, number[]>;
  /** Runs a client in a thread of its own, whose work holds up nothing here. @returns what it posts. */
  client<R>(module: string, data: object): Promise<R>;
  /** Longest that the event loop stood still since the last time this was asked, ms. */
  blocked(): number;
  /** Longest that another connection found a row of jobs held while something runs, ms. */
  longestLock(during: Promise<unknown>): Promise<number>;
}

const RESOLUTION = 2; // ms

/** The server in this very process, on a database of its own that is as safe as a shop's, with its times taken from inside. */
export async function withMeasuredServer(use: (server: MeasuredServer) => Promise<void>): Promise<void> {
  const cluster = await startTemporaryPostgres('load');
  const knex = openDatabase(cluster.url);
  const { app, close } = await composeApp(knex, {
    databaseUrl: cluster.url,
    loadDemo: true,
    logger: makeLogger('error'),
    boundTo: '127.0.0.1',
    requestsPerMinute: 1e9,
  });
  const times = new Map<string, number[]>();
  const server = createServer((req, res) => {
    let started = performance.now();
    req.on('end', () => (started = performance.now()));
    const asked = nameOf(req);
    res.on('finish', () => {
      if (!times.has(asked)) times.set(asked, []);
      times.get(asked)!.push(performance.now() - started);
    });
    app(req, res);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const database = new pg.Client({ connectionString: cluster.url });
  await database.connect();
  const delay = monitorEventLoopDelay({ resolution: RESOLUTION });
  delay.enable();
  const address = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
  try {
    await use({
      address,
      database,
      times,
      client: (module, data) =>
        new Promise((resolve, reject) => {
          const worker = new Worker(new URL(`../${module}`, import.meta.url), { workerData: { address, ...data } });
          worker.once('message', resolve).once('error', reject);
        }),
      blocked: () => {
        const longest = delay.max / 1e6 - RESOLUTION;
        delay.reset();
        return Math.max(0, longest);
      },
      longestLock: (during) => longestLock(database, during),
    });
  } finally {
    delay.disable();
    await database.end();
    server.closeAllConnections();
    server.close();
    await close();
    await knex.destroy();
    await cluster.stop();
  }
}

const nameOf = ({ method, url }: IncomingMessage) =>
  `${method} ${url!.replace(/\?.*/, '').replace(/[0-9a-f]{8}-[0-9a-f-]{27}/, ':id')}`;

async function longestLock(database: pg.Client, during: Promise<unknown>): Promise<number> {
  let [running, longest, since] = [true, 0, 0];
  const end = () => (running = false);
  during.then(end, end);
  while (running) {
    const { rows } = await database.query(
      `select (select count(*) from jobs) - (select count(*) from (select 1 from jobs for update skip locked) free) as held`,
    );
    const isHeld = Number((rows[0] as { held: string }).held) > 0;
    const now = performance.now();
    if (!isHeld) since = 0;
    else if (since === 0) since = now;
    else longest = Math.max(longest, now - since);
  }
  return longest;
}
