import { sayField } from '@endrel/core/job/field-name';
import type { StoredJob } from '@endrel/core/contract/api';
import { fetchAttachments } from '../api/attachments.ts';
import { ApiError, isAway, OfflineError } from '../api/client.ts';
import { readJob } from '../api/jobs.ts';
import { forgetJob, loadJob } from './kept-jobs.ts';
import { loadResult } from './kept-results.ts';
import { keepFor, loadGone, loadKept } from './kept-store.ts';
import { isPageGone, pageName } from './page-name.ts';
import { keptOf, type Kept } from './kept.ts';
import { typedText } from './typed-text.ts';
import type { OpenedJob } from './session-context.tsx';

const SLOW = 4000; // ms in which the server ought to have answered, where this browser has the job itself

/**
 * Reads a job from the server, with what this browser still has to send of it and what the job names; while the server is away,
 * the job as this browser kept it.
 */
export async function openJob(id: string): Promise<OpenedJob> {
  const client = await pageName();
  keepFor(client);
  const [{ stored, isWithoutServer }, own, gone] = await Promise.all([
    readOrKept(id),
    loadKept(id, client),
    loadGone(id, client, isPageGone),
  ]);
  const typed = typedText.bring(id, [...own.typed, ...gone.typed]);
  const result = await loadResult(stored);
  let missing: string | undefined;
  try {
    await fetchAttachments(stored.document);
  } catch (error) {
    if (!(isWithoutServer && isAway(error))) throw error;
    missing = 'The mesh of the tank is not kept in this browser: it comes with the server.';
  }
  const back =
    typed.length > 0 &&
    `What was typed before the page closed is back in: ${typed.map((t) => sayField(stored.document, t.path)).join('; ')}.`;
  return {
    stored,
    client,
    kept: joined(gone.kept, own.kept),
    keptSafely: gone.forget,
    result,
    isWithoutServer,
    notice: [missing, back].filter(Boolean).join(' ') || undefined,
  };
}

async function readOrKept(id: string): Promise<{ stored: StoredJob; isWithoutServer: boolean }> {
  const kept = await loadJob(id);
  try {
    return { stored: await (kept ? Promise.race([readJob(id), tooSlow()]) : readJob(id)), isWithoutServer: false };
  } catch (error) {
    if (kept && isAway(error)) return { stored: kept, isWithoutServer: true };
    if (error instanceof ApiError && error.status === 404) await forgetJob(id);
    throw error;
  }
}

const tooSlow = (): Promise<never> => new Promise((_, reject) => setTimeout(() => reject(new OfflineError()), SLOW));

const joined = (gone: Kept, own: Kept): Kept =>
  keptOf({ ...own, pending: [...gone.pending, ...own.pending], refused: [...gone.refused, ...own.refused] });
