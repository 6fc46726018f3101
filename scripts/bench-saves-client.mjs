// Saves one job again and again, one request after the other, in a thread of its own.
import { randomUUID } from 'node:crypto';
import { parentPort, workerData } from 'node:worker_threads';

const { address, job, acts, together } = workerData;
let { known } = workerData;
for (let i = 0; i < acts.length; i += together) {
  const batch = acts.slice(i, i + together).map((act) => ({ id: randomUUID(), base: known, act }));
  const answer = await fetch(`${address}/api/jobs/${job}/acts`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ client: 'bench', known, acts: batch }),
  });
  const read = await answer.json();
  const refused = read.outcomes?.find((o) => o.outcome !== 'saved');
  if (!answer.ok || refused) throw new Error(JSON.stringify(refused ?? read));
  known = read.revision;
}
parentPort.postMessage(known);
