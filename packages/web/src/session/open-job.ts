import { fetchAttachments } from '../api/attachments.ts';
import { readJob } from '../api/jobs.ts';
import { loadKept } from './kept-store.ts';
import { isPageGone, pageName } from './page-name.ts';
import type { OpenedJob } from './session-context.tsx';

/** Reads a job from the server, with what this browser still has to send of it and what the job names. */
export async function openJob(id: string): Promise<OpenedJob> {
  const client = await pageName();
  const [stored, kept] = await Promise.all([readJob(id), loadKept(id, client, isPageGone)]);
  await fetchAttachments(stored.document);
  return { stored, client, kept };
}
