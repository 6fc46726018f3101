// The part of npm run bench that measures saves where they are made: at the server.
import type { Act } from '../packages/core/src/job/acts/act.ts';
import { withMeasuredServer } from './lib/measured-server.ts';

const SAVES = 60;
const litres = (i: number) => ({ si: (i + 1) * 1e-4, unit: 'L' });
/** A strapping table of 400 rows, another each time. */
const table = (n: number): Act => ({
  act: 'set',
  path: ['survey', 'tank', 'strapping'],
  value: Array.from({ length: 400 }, (_, i) => ({
    level: { si: (i + 1) * 5e-4, unit: 'mm' },
    volume: litres(i === 0 ? 0.5 + (n % 50) / 100 : i),
  })),
});
const length = (n: number) => ({ si: 0.2 + n / 1e4, unit: 'mm' });
const many = (count: number, act: (n: number) => Act) => Array.from({ length: count }, (_, n) => act(n));

await withMeasuredServer(async (server) => {
  const { rows } = await server.database.query(`select id from jobs where document->>'name' like 'Mail%'`);
  const job = (rows[0] as { id: string }).id;
  let known = 1;
  const measure = async (what: string, acts: Act[], together = 1) => {
    server.times.clear();
    server.blocked();
    known = await server.client<number>('bench-saves-client.mjs', { job, known, acts, together });
    const blocked = server.blocked();
    const times = [...server.times.values()].flat().sort((a, b) => a - b);
    const at = (share: number) => times[Math.min(times.length - 1, Math.floor(share * times.length))]!.toFixed(1);
    console.log(
      `${what.padEnd(58)}median ${at(0.5).padStart(6)} ms   worst ${at(1).padStart(6)} ms   event loop ${blocked.toFixed(1)} ms`,
    );
  };
  console.log('saves, at the server (limits: 10 ms, and 20 ms for which the event loop may stand still)');
  await measure('warming up', many(20, (n) => ({ act: 'set', path: ['survey', 'tank', 'depth'], value: length(n) }))); // prettier-ignore
  await measure('a measurement', many(SAVES, (n) => ({ act: 'set', path: ['survey', 'tank', 'depth'], value: length(n) }))); // prettier-ignore
  await measure('a hose of the run', many(SAVES, (n) => ({ act: 'setOnPart', id: 'hose-1', key: 'length', value: length(n) }))); // prettier-ignore
  await measure('a strapping table of 400 rows', many(SAVES, table));
  await measure('twenty strapping tables at once', many(100, table), 20);
  const held = await server.longestLock(
    server.client<number>('bench-saves-client.mjs', { job, known, acts: many(100, table), together: 20 }),
  );
  console.log(`a row of jobs was held by the last of them for ${held.toFixed(1)} ms at most (limit 50 ms)`);
});
