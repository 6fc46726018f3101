import { setTimeout as sleep } from 'node:timers/promises';
import { readdirSync } from 'node:fs';
import { expect } from 'chai';
import { demoJobs } from '@endrel/core/demo/index';
import { migrationSource } from '../migrations/index.ts';
import { openDatabase } from '../src/database.ts';
import { emptyDatabase, serve, type Served } from './server-under-test.ts';
import { createDatabase } from '../../../scripts/lib/private-postgres.mjs';

describe('migrations', () => {
  it('are all listed, each under the name of its file, in their order', async () => {
    const files = readdirSync(new URL('../migrations', import.meta.url))
      .filter((name) => name !== 'index.ts')
      .sort();
    expect(await migrationSource.getMigrations([])).to.deep.equal(files);
    for (const name of files) {
      const own = (await import(`../migrations/${name}`)) as { up: () => unknown };
      expect(String(((await migrationSource.getMigration(name)) as { up: () => unknown }).up), name).to.equal(
        String(own.up),
      ); // the loader reads it twice
    }
  });
});

describe('a first start', () => {
  const names = Object.values(demoJobs).map((j) => j.name);
  const listed = async (served: Served): Promise<string[]> =>
    (await served.call('GET', '/api/jobs')).body.jobs.map((j: { name: string }) => j.name);

  for (const apart of [0, 3, 10])
    it(`of two servers on one empty database, ${apart} ms apart in one process, migrates once and loads the demo once`, async () => {
      const { url, drop } = await emptyDatabase();
      const databases = [openDatabase(url), openDatabase(url)];
      const servers = await Promise.all(
        databases.map(async (database, i) => {
          await sleep(i * apart);
          return serve(database, url, { demo: true });
        }),
      );
      try {
        for (const server of servers) expect(await listed(server)).to.deep.equal(names);
        const [done] = await databases[0]!('knex_migrations').count({ n: '*' }).countDistinct({ different: 'name' });
        expect(done!.n).to.equal(done!.different);
        const { rows } = await databases[0]!.raw(
          `select count(*)::int as n from pg_locks where locktype = 'advisory' and database = (select oid from pg_database where datname = current_database())`,
        );
        expect(rows[0].n, 'locks that are left').to.equal(0);
        expect(await databases[0]!('shops').select('name')).to.have.length(1);
      } finally {
        for (const server of servers) await server.stop();
        for (const database of databases) await database.destroy();
        await drop();
      }
    });

  it('that was killed while it migrated, or before the demo was whole, is taken up again', async () => {
    const { url, drop } = await emptyDatabase();
    const database = openDatabase(url);
    try {
      await (await serve(database, url, { demo: true })).stop();
      // as an Endrel of before leaves it when it is killed: its lock held, the shop there, nothing or a part of the demo
      await database('knex_migrations_lock').update({ is_locked: 1 });
      await database.raw('truncate jobs, job_changes cascade').catch(() => undefined); // the history cannot be taken away
      await database('jobs').update({ deleted_at: new Date() });
      await database('shops').update({ prepared_at: null });
      const again = await serve(database, url, { demo: true });
      expect(await listed(again)).to.deep.equal(names);
      await again.stop();
      // once it is ready nothing is loaded again, even when all of it is deleted
      await database('jobs').update({ deleted_at: new Date() });
      const later = await serve(database, url, { demo: true });
      expect(await listed(later)).to.deep.equal([]);
      await later.stop();
    } finally {
      await database.destroy();
      await drop();
    }
  });

  it('fills in the demo wholly or not at all', async () => {
    const { url, drop } = await emptyDatabase();
    const database = openDatabase(url);
    try {
      await (await serve(database, url, {})).stop();
      await database('shops').delete();
      // the fourth of the jobs cannot be stored
      await database.raw(`create function fail() returns trigger language plpgsql as $$ begin
        if (select count(*) from jobs) >= 3 then raise exception 'disk full'; end if; return new; end $$`);
      await database.raw('create trigger fail before insert on jobs for each row execute function fail()');
      const failed = await serve(database, url, { demo: true }).then(
        () => 'started',
        (e: Error) => e.message,
      );
      expect(failed).to.include('disk full');
      expect((await database('jobs').count({ n: '*' }))[0]!.n).to.equal('0');
      await database.raw('drop trigger fail on jobs');
      const served = await serve(database, url, { demo: true });
      expect(await listed(served)).to.deep.equal(names);
      await served.stop();
    } finally {
      await database.destroy();
      await drop();
    }
  });

  it('begins again when the backend dies that makes its role and database', async () => {
    const admin = openDatabase(process.env.TEST_DATABASE_ADMIN_URL!);
    const password = new URL(process.env.TEST_DATABASE_ADMIN_URL!).password;
    try {
      for (let i = 0; i < 5; i++) {
        const holder = await admin.client.acquireConnection();
        await admin.raw('select pg_advisory_lock(8400000)').connection(holder);
        const made = createDatabase(process.env.TEST_DATABASE_ADMIN_URL!, password);
        let killed = 0;
        while (killed === 0) {
          const { rows } = await admin.raw(
            `select pg_terminate_backend(pid) from pg_stat_activity where wait_event = 'advisory' and query like '%8400000%'`,
          );
          killed = (rows as unknown[]).length;
        }
        await admin.raw('select pg_advisory_unlock(8400000)').connection(holder);
        await admin.client.releaseConnection(holder);
        await made;
      }
    } finally {
      await admin.destroy();
    }
  });
});
