import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { composeApp } from '../src/compose-app.ts';
import { openDatabase } from '../src/database.ts';
import { answerUnreadable } from '../src/http/answer-unreadable.ts';
import { makeLogger } from '../src/logger.ts';

export interface Options {
  readonly demo?: boolean;
  readonly webRoot?: string;
  readonly requestsPerMinute?: number;
  readonly logger?: Logger;
}

/** A database of a test's own, empty, on the PostgreSQL that scripts/test.mjs started. */
export async function emptyDatabase(): Promise<{ readonly url: string; readonly drop: () => Promise<void> }> {
  const adminUrl = process.env.TEST_DATABASE_ADMIN_URL;
  if (!adminUrl) throw new Error('run these through “npm run api”: they need the PostgreSQL it starts');
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = openDatabase(adminUrl);
  await admin.raw('create database ??', [name]);
  const url = new URL(adminUrl);
  url.pathname = name;
  return {
    url: url.href,
    drop: async () => {
      await admin.raw('drop database ?? with (force)', [name]);
      await admin.destroy();
    },
  };
}

/** A real server on a database of its own. */
export class ServerUnderTest {
  readonly url: string;
  readonly database: Knex;
  readonly #drop: () => Promise<void>;
  readonly #served: Served;
  private constructor(url: string, database: Knex, drop: () => Promise<void>, served: Served) {
    this.url = url;
    this.database = database;
    this.#drop = drop;
    this.#served = served;
  }

  static async start(options: Options = {}): Promise<ServerUnderTest> {
    const { url, drop } = await emptyDatabase();
    const database = openDatabase(url);
    return new ServerUnderTest(url, database, drop, await serve(database, url, options));
  }

  get address(): string {
    return this.#served.address;
  }

  /** Another server on the same database. */
  second(): Promise<Served> {
    return serve(this.database, this.url, {});
  }

  async stop(): Promise<void> {
    await this.#served.stop();
    await this.database.destroy();
    await this.#drop();
  }

  call(method: string, path: string, body?: unknown): Promise<Answer> {
    return this.#served.call(method, path, body);
  }
}

export interface Answer {
  readonly status: number;
  readonly body: any;
  readonly headers: Headers;
}
export interface Served {
  readonly address: string;
  call(method: string, path: string, body?: unknown): Promise<Answer>;
  stop(): Promise<void>;
}

/** Serves the application on a database, in whatever shape that is. */
export async function serve(
  database: Knex,
  url: string,
  { demo = false, logger = makeLogger('silent'), ...rest }: Options,
): Promise<Served> {
  const boundTo = '127.0.0.1';
  const { app, close } = await composeApp(database, { databaseUrl: url, loadDemo: demo, logger, boundTo, ...rest });
  const server = createServer(app).on('clientError', answerUnreadable);
  await new Promise<void>((resolve) => server.listen(0, boundTo, resolve));
  const address = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
  return {
    address,
    call: (method, path, body) => callAt(address, method, path, body),
    async stop() {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await close();
    },
  };
}

async function callAt(address: string, method: string, path: string, body?: unknown): Promise<Answer> {
  const isText = path.startsWith('/api/attachments');
  const answer = await fetch(`${address}${path}`, {
    method,
    headers: body === undefined ? {} : { 'Content-Type': isText ? 'text/plain' : 'application/json' },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  });
  const text = await answer.text();
  const isJson = answer.headers.get('content-type')?.includes('json');
  return { status: answer.status, body: isJson ? JSON.parse(text) : text, headers: answer.headers };
}
