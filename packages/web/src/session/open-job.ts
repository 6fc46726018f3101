import { sayField } from '@endrel/core/job/acts/touched';
import { fetchAttachments } from '../api/attachments.ts';
import { readJob } from '../api/jobs.ts';
import { keepFor, loadGone, loadKept } from './kept-store.ts';
import { isPageGone, pageName } from './page-name.ts';
import { keptOf, type Kept } from './pending.ts';
import { typedText } from './typed-text.ts';
import type { OpenedJob } from './session-context.tsx';

/** Reads a job from the server, with what this browser still has to send of it and what the job names. */
export async function openJob(id: string): Promise<OpenedJob> {
  const client = await pageName();
  keepFor(client);
  const [stored, own, gone] = await Promise.all([readJob(id), loadKept(id, client), loadGone(id, client, isPageGone)]);
  const typed = typedText.bring(id, [...own.typed, ...gone.typed]);
  await fetchAttachments(stored.document);
  return {
    stored,
    client,
    kept: joined(gone.kept, own.kept),
    keptSafely: gone.forget,
    notice:
      typed.length === 0
        ? undefined
        : `What was typed before the page closed is back in: ${typed.map((t) => sayField(stored.document, t.path)).join('; ')}.`,
  };
}

const joined = (gone: Kept, own: Kept): Kept =>
  keptOf({ ...own, pending: [...gone.pending, ...own.pending], refused: [...gone.refused, ...own.refused] });
