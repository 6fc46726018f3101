// The part of npm run bench that measures saves where they are made: at the server.
import type { Act } from '../packages/core/src/acts/act.ts';
import { attachMesh } from '../packages/core/src/attachments/tank-mesh.ts';
import { MOST_PUMPS } from '../packages/core/src/contract/api.ts';
import { demoJobs } from '../packages/core/src/demo/index.ts';
import { resampled, ruledMesh } from '../packages/core/src/tanks/extrude.ts';
import { packMesh } from '../packages/core/src/meshes/packed-mesh.ts';
import { roundedRectangle } from '../packages/core/src/tanks/section-polygon.ts';
import { BenchLimits } from './lib/bench-limits.ts';
import { withMeasuredServer } from './lib/measured-server.ts';

const SAVES = 60;
const SAVE = 10; // ms that one may take at the server
const limits = new BenchLimits();
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

/** Tanks of some 54 000 triangles, each another: text of nearly 2 MB. */
function attachment(n: number) {
  const stations = Array.from({ length: 282 }, (_, i) => ({
    x: i * 0.002,
    points: resampled(roundedRectangle(0.4 + 0.05 * Math.sin(i / (40 + n)), 0.25, 0.05)),
  }));
  const { mesh, text } = attachMesh(packMesh(ruledMesh(stations), 'scan.stl', false));
  return { method: 'PUT', path: `/api/attachments/${mesh.digest}`, type: 'text/plain', body: text };
}
function jobWithMesh(n: number) {
  const { path: where, body } = attachment(n);
  const document = { ...demoJobs.mailVan, attachments: { [where.split('/').at(-1)!]: body } };
  return { method: 'POST', path: '/api/jobs', type: 'application/json', body: JSON.stringify({ document }) };
}
const fullPump = Array.from({ length: 6 }, (_, t) => ({
  voltage: { si: 9 + t, unit: 'V' },
  rows: Array.from({ length: 40 }, (__, r) => ({
    pressure: { si: r * 1e4, unit: 'kPa' },
    flow: { si: (200 - r) / 3.6e6, unit: 'L/h' },
    current: { si: 3 + r / 10, unit: 'A' },
  })),
}));

await withMeasuredServer(async (server) => {
  const { rows } = await server.database.query(`select id from jobs where document->>'name' like 'Mail%'`);
  const job = (rows[0] as { id: string }).id;
  let known = 1;
  const measure = async (what: string, acts: Act[], together = 1, limit?: number) => {
    server.times.clear();
    server.blocked();
    known = await server.client<number>('bench-saves-client.mjs', { job, known, acts, together });
    const blocked = server.blocked();
    say(what, blocked, limit);
  };
  const say = (what: string, blocked: number, limit?: number) => {
    const times = [...server.times.values()].flat().sort((a, b) => a - b);
    limits.look();
    const median = times[Math.floor(times.length / 2)]!;
    if (limit !== undefined) limits.time(what, median, limit, 'ms');
    if (limit !== undefined) limits.time(`${what}: the event loop stands still`, blocked, 20, 'ms');
    const at = (share: number) => times[Math.min(times.length - 1, Math.floor(share * times.length))]!.toFixed(1);
    console.log(
      `${what.padEnd(58)}median ${at(0.5).padStart(6)} ms   worst ${at(1).padStart(6)} ms   event loop ${blocked.toFixed(1)} ms`,
    );
  };
  const ask = async (what: string, asks: readonly object[]) => {
    server.times.clear();
    server.blocked();
    await server.client<number>('bench-asks-client.mjs', { asks });
    say(what, server.blocked());
  };
  console.log('saves, at the server (limits: 10 ms, and 20 ms for which the event loop may stand still)');
  await measure(
    'warming up',
    many(20, (n) => ({ act: 'set', path: ['survey', 'tank', 'depth'], value: length(n) })),
  );
  await measure(
    'a measurement',
    many(SAVES, (n) => ({ act: 'set', path: ['survey', 'tank', 'depth'], value: length(n) })),
    1,
    SAVE,
  );
  await measure(
    'a hose of the run',
    many(SAVES, (n) => ({ act: 'setOnPart', id: 'hose-1', key: 'length', value: length(n) })),
    1,
    SAVE,
  );
  await measure('a strapping table of 400 rows', many(SAVES, table));
  await measure('twenty strapping tables at once', many(100, table), 20);
  await ask(
    'the largest attachment',
    Array.from({ length: 6 }, (_, i) => attachment(i)),
  );
  await ask(
    'a job file that carries such an attachment',
    Array.from({ length: 6 }, (_, i) => jobWithMesh(i + 10)),
  );
  const pump = (n: number) => ({
    method: 'POST',
    path: '/api/pumps',
    type: 'application/json',
    body: JSON.stringify({ name: `Pump ${n}`, tables: fullPump }),
  });
  await ask(
    'the largest pump',
    Array.from({ length: MOST_PUMPS }, (_, n) => pump(n)),
  );
  await ask('a full library of them, listed', Array(12).fill({ method: 'GET', path: '/api/pumps' }));
  // what others wait for while a hundred acts that lay a whole run out anew are judged
  const other = await server.database.query(`select id from jobs where document->>'name' like 'Hill rescue%'`);
  const layouts: Act[] = many(100, (n) => ({ act: 'chooseLayout', key: n % 2 ? 'bypassAfterRail' : 'bypassAtTank' }));
  server.times.clear();
  const depths = many(150, (n): Act => ({ act: 'set', path: ['survey', 'tank', 'depth'], value: length(n) }));
  const heavy = { job: (other.rows[0] as { id: string }).id, known: 1, acts: layouts, together: 100 };
  [known] = await Promise.all([
    server.client<number>('bench-saves-client.mjs', { job, known, acts: depths, together: 1 }),
    server.client<number>('bench-saves-client.mjs', heavy),
  ]);
  const waits = [...server.times.values()].flat().sort((a, b) => a - b);
  limits.look();
  const [longest, others] = [waits.at(-1)!, waits.slice(0, -1)];
  console.log(
    `saves of others during 100 heavy acts (${(longest / 1000).toFixed(1)} s of them)`.padEnd(58) +
      `p50 ${others[Math.floor(others.length / 2)]!.toFixed(1)} ms   p99 ${others[Math.floor(others.length * 0.99)]!.toFixed(1)} ms   limit p99 200 ms`,
  );
  limits.time('saves of others, p99', others[Math.floor(others.length * 0.99)]!, 200, 'ms');
  const held = await server.longestLock(
    server.client<number>('bench-saves-client.mjs', { job, known, acts: many(100, table), together: 20 }),
  );
  console.log(`a row of jobs was held by the last of them for ${held.toFixed(1)} ms at most (limit 50 ms)`);
  limits.time('a row of jobs held', held, 50, 'ms');
});
limits.tell();
