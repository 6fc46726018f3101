import { randomBytes } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { Knex } from 'knex';
import { pino } from 'pino';
import { createApp } from '../src/app.ts';
import { migrate, openDatabase } from '../src/database.ts';
import { prepareShop } from '../src/demo-data.ts';
import { JobRepository } from '../src/repositories/job-repository.ts';
import { PumpRepository } from '../src/repositories/pump-repository.ts';
import { ShopRepository } from '../src/repositories/shop-repository.ts';
import { JobService } from '../src/services/job-service.ts';

/** A real server on a database of its own, on the PostgreSQL that scripts/test.mjs started. */
export class ServerUnderTest {
  readonly #admin: Knex;
  readonly #name: string;
  readonly database: Knex;
  readonly #server: Server;
  readonly address: string;
  private constructor(admin: Knex, name: string, database: Knex, server: Server) {
    this.#admin = admin;
    this.#name = name;
    this.database = database;
    this.#server = server;
    this.address = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
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
    await migrate(database);
    const repository = new JobRepository(database);
    const jobs = new JobService(repository);
    const shop = await prepareShop(new ShopRepository(database), jobs, repository, demo);
    const app = createApp({
      jobs,
      pumps: new PumpRepository(database),
      shop,
      logger: pino({ level: 'silent' }),
      boundTo: '127.0.0.1',
    });
    const server = createServer(app);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    return new ServerUnderTest(admin, name, database, server);
  }

  async stop(): Promise<void> {
    this.#server.closeAllConnections();
    await new Promise((resolve) => this.#server.close(resolve));
    await this.database.destroy();
    await this.#admin.raw('drop database ?? with (force)', [this.#name]);
    await this.#admin.destroy();
  }

  async call(method: string, path: string, body?: unknown): Promise<{ status: number; body: any; headers: Headers }> {
    const answer = await fetch(`${this.address}${path}`, {
      method,
      headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    });
    return { status: answer.status, body: await answer.json(), headers: answer.headers };
  }
}
