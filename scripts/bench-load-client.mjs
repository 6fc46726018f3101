// Editors and readers against a server, in a process of their own: what they did is sent to whoever started them.
import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';

const { address, jobs, editors, seconds, pause, words } = JSON.parse(process.argv[2]);
const end = performance.now() + seconds * 1000;
const times = { save: [], list: [], search: [], open: [] };
const acknowledged = [];
const faults = [];

async function timed(what, ask) {
  const started = performance.now();
  const answer = await ask();
  const body = await answer.json();
  times[what].push(performance.now() - started);
  if (!answer.ok) faults.push(`${what}: ${answer.status} ${JSON.stringify(body).slice(0, 200)}`);
  return body;
}

/** Saves one job again and again, with the pauses of somebody who types. */
async function edit(job, n) {
  await sleep((pause * n) / editors); // not all in the same moment
  let known = (await (await fetch(`${address}/api/jobs/${job}`)).json()).revision;
  for (let i = 1; performance.now() < end; i++) {
    const id = randomUUID();
    const act = { act: 'set', path: ['survey', 'tank', 'depth'], value: { si: 0.2 + i / 1e5, unit: 'mm' } };
    const body = JSON.stringify({ client: `editor-${n}`, known, acts: [{ id, base: known, act }] });
    const post = () =>
      fetch(`${address}/api/jobs/${job}/acts`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body,
      });
    const answer = await timed('save', post);
    if (answer.outcomes?.[0]?.outcome === 'saved') acknowledged.push([job, id]);
    else faults.push(JSON.stringify(answer).slice(0, 200));
    known = answer.revision ?? known;
    await sleep(pause * (0.5 + Math.random()));
  }
}

/** Lists, searches and opens, one after the other. */
async function read() {
  for (let i = 0; performance.now() < end; i++) {
    const page = await timed('list', () => fetch(`${address}/api/jobs`));
    if (page.after && i % 3 === 0) await timed('list', () => fetch(`${address}/api/jobs?after=${page.after}`));
    const find = encodeURIComponent(words[i % words.length]);
    await timed('search', () => fetch(`${address}/api/jobs?find=${find}`));
    const any = jobs[(i * 7919) % jobs.length];
    await timed('open', () => fetch(`${address}/api/jobs/${any}`));
    await sleep(100);
  }
}

await Promise.all([...Array.from({ length: editors }, (_, n) => edit(jobs[n], n)), read()]);
process.send({ times, acknowledged, faults }, () => process.disconnect());
