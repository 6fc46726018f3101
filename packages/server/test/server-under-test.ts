import { randomBytes } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { Knex } from 'knex';
import { composeApp } from '../src/compose-app.ts';
import { openDatabase } from '../src/database.ts';
import { makeLogger } from '../src/logger.ts';

/** A real server on a database of its own, on the PostgreSQL that scripts/test.mjs started. */
export class ServerUnderTest {
  readonly #admin: Knex;
  readonly #name: string;
  readonly database: Knex;
  readonly #server: Server;
  readonly address: string;
  readonly #url: string;
  readonly #close: () => Promise<void>;
  private constructor(
    admin: Knex,
    name: string,
    database: Knex,
    url: string,
    server: Server,
    close: () => Promise<void>,
  ) {
    this.#admin = admin;
    this.#name = name;
    this.database = database;
    this.#url = url;
    this.#server = server;
    this.#close = close;
    this.address = addressOf(server);
  }

  static async start({ demo = false } = {}): Promise<ServerUnderTest> {
    const adminUrl = process.env.TEST_DATABASE_ADMIN_URL;
    if (!adminUrl) throw new Error('run these through “npm run api”: they need the PostgreSQL it starts');
    const name = `test_${randomBytes(6).toString('hex')}`;
    const admin = openDatabase(adminUrl);
    await admin.raw('create database ??', [name]);
    const url = new URL(adminUrl);
    url.pathname = name;
    const database = openDatabase(url.href);
    return new ServerUnderTest(admin, name, database, url.href, ...(await serve(database, url.href, demo)));
  }

  /** Another server on the same database. */
  async second(): Promise<Served> {
    const [server, close] = await serve(this.database, this.#url, false);
    const address = addressOf(server);
    return {
      address,
      call: (method, path, body) => callAt(address, method, path, body),
      stop: async () => {
        server.closeAllConnections();
        await new Promise((resolve) => server.close(resolve));
        await close();
      },
    };
  }

  async stop(): Promise<void> {
    this.#server.closeAllConnections();
    await new Promise((resolve) => this.#server.close(resolve));
    await this.#close();
    await this.database.destroy();
    await this.#admin.raw('drop database ?? with (force)', [this.#name]);
    await this.#admin.destroy();
  }

  call(method: string, path: string, body?: unknown): Promise<Answer> {
    return callAt(this.address, method, path, body);
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

const addressOf = (server: Server) => `http://127.0.0.1:${(server.address() as { port: number }).port}`;

async function serve(database: Knex, url: string, demo: boolean): Promise<[Server, () => Promise<void>]> {
  const logger = makeLogger('silent');
  const boundTo = '127.0.0.1';
  const { app, close } = await composeApp(database, { databaseUrl: url, loadDemo: demo, logger, boundTo });
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, boundTo, resolve));
  return [server, close];
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
