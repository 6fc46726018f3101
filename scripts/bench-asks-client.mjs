// Asks one thing after the other, in a thread of its own.
import { parentPort, workerData } from 'node:worker_threads';

const { address, asks } = workerData;
for (const { method, path, type, body } of asks) {
  const answer = await fetch(`${address}${path}`, { method, headers: body ? { 'Content-Type': type } : {}, body });
  const text = await answer.text();
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${text.slice(0, 200)}`);
}
parentPort.postMessage(asks.length);
