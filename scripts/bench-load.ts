// npm run bench:load -- [--jobs 10000] [--editors 50] [--seconds 60]: a shop's whole list, and many at work on it.
import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { withMeasuredServer, type MeasuredServer } from './lib/measured-server.ts';

const { values } = parseArgs({
  options: {
    jobs: { type: 'string', default: '10000' },
    editors: { type: 'string', default: '50' },
    seconds: { type: 'string', default: '60' },
  },
});
const PAUSE = 1000; // ms between two saves of one editor, on average: a field after the other
const MB = 2 ** 20;

interface Outcome {
  readonly times: Readonly<Record<'save' | 'list' | 'search' | 'open', number[]>>;
  readonly acknowledged: readonly (readonly [job: string, act: string])[];
  readonly faults: readonly string[];
}

/** Copies of the demo jobs under names of their own, with what the list shows of them. */
async function fill({ database, address }: MeasuredServer, count: number): Promise<string[]> {
  for (let reckoned = 0; reckoned < 6; await new Promise((resolve) => setTimeout(resolve, 200))) {
    await (await fetch(`${address}/api/jobs`)).text();
    const { rows: done } = await database.query<{ n: string }>(
      'select count(*) as n from jobs where summary is not null',
    );
    reckoned = Number(done[0]!.n);
  }
  const { rows } = await database.query<{ id: string }>(
    `insert into jobs (shop_id, revision, document, summary, summary_revision, saved_at)
     select shop_id, 1, document || jsonb_build_object('name', name), summary || jsonb_build_object('name', name), 1,
       now() - n * interval '7 minutes'
     from generate_series(1, $1) as n
     cross join lateral (
       select shop_id, document, summary, 'Job ' || n || ' for the ' || (array['harbour', 'quarry', 'dairy', 'ferry'])[1 + n % 4] as name
       from (select *, row_number() over (order by id) as place from jobs where document ? 'brief') as demo
       where place = 1 + n % 6
     ) as copy
     returning id`,
    [count],
  );
  await database.query('analyze');
  return rows.map((row) => row.id);
}

const at = (times: readonly number[], share: number): number =>
  times.toSorted((a, b) => a - b)[Math.min(times.length - 1, Math.floor(share * times.length))] ?? NaN;
const ms = (value: number): string => `${value.toFixed(1).padStart(7)} ms`;

async function run(server: MeasuredServer, jobs: readonly string[], editors: number, seconds: number): Promise<void> {
  const memory: number[] = [];
  const sampling = setInterval(() => memory.push(process.memoryUsage().rss / MB), 1000);
  server.blocked();
  const client = fork(fileURLToPath(new URL('bench-load-client.mjs', import.meta.url)), [
    JSON.stringify({
      address: server.address,
      jobs: jobs.slice(0, 500),
      editors,
      seconds,
      pause: PAUSE,
      words: ['harbour', 'Job 77', 'dairy injected', 'nothing'],
    }),
  ]);
  const outcome = await new Promise<Outcome>((resolve, reject) =>
    client.once('message', (message) => resolve(message as Outcome)).once('error', reject),
  );
  clearInterval(sampling);
  const blocked = server.blocked();
  console.log(`\n${editors} editors, ${seconds} s, ${jobs.length} jobs`);
  for (const [what, times] of Object.entries(outcome.times))
    console.log(
      `  ${what.padEnd(8)}${String(times.length).padStart(6)} times   p50 ${ms(at(times, 0.5))}   p99 ${ms(at(times, 0.99))}   worst ${ms(at(times, 1))}`,
    );
  const third = Math.floor(memory.length / 3);
  const mean = (part: readonly number[]) => part.reduce((sum, m) => sum + m, 0) / part.length;
  console.log(
    `  memory at each tenth: ${Array.from({ length: 10 }, (_, i) => Math.round(memory[Math.floor((i * memory.length) / 10)] ?? NaN)).join(' ')} MB`,
  );
  console.log(
    `  memory: ${mean(memory.slice(third, 2 * third)).toFixed(0)} MB in the second third, ${mean(memory.slice(2 * third)).toFixed(0)} MB in the last; event loop stood still for ${blocked.toFixed(0)} ms at most`,
  );
  let lost = 0;
  const { rows } = await server.database.query<{ job_id: string; act_id: string }>(
    'select job_id, act_id from job_changes where act_id is not null',
  );
  const stored = new Set(rows.map((row) => `${row.job_id} ${row.act_id}`));
  for (const [job, act] of outcome.acknowledged) if (!stored.has(`${job} ${act}`)) lost++;
  console.log(
    `  ${outcome.acknowledged.length} acts acknowledged, ${lost} lost, ${outcome.faults.length} answers that were faults`,
  );
  for (const fault of outcome.faults.slice(0, 5)) console.log(`    ${fault}`);
}

await withMeasuredServer(async (server) => {
  const jobs = await fill(server, Number(values.jobs));
  await run(server, jobs, 20, Math.min(20, Number(values.seconds)));
  await run(server, jobs, Number(values.editors), Number(values.seconds));
});
