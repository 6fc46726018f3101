import type { Job } from '../job.ts';

/** An id that no component of the job has: its kind and a number. */
export function freshId(job: Job, kind: string): string {
  const stem = kind.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);
  const taken = new Set([...job.run.supply, ...job.run.return, ...(job.run.spare ?? [])].map((c) => c.id));
  let n = 1;
  while (taken.has(`${stem}-${n}`)) n++;
  return `${stem}-${n}`;
}
