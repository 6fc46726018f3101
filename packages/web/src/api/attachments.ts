import { attachmentText, holdAttachment } from '@endrel/core/attachments/attachment';
import type { Job } from '@endrel/core/job/job';
import { holdForAll } from '../calc/calculator.ts';
import { keepAttachment, loadAttachment } from '../session/kept-store.ts';
import { callText } from './client.ts';

/** Digests that the server is known to have. */
const sent = new Set<string>();

/** Holds an attachment's text wherever this page computes, and keeps it through a reload. */
export async function provide(digest: string, text: string): Promise<void> {
  holdAttachment(digest, text);
  await Promise.all([holdForAll(digest, text), keepAttachment(digest, text)]);
}

/** Makes sure that what a job names by its digest is here, from this browser or from the server. */
export async function fetchAttachments({ survey }: Job): Promise<void> {
  const digest = survey.tank.mesh?.digest;
  if (digest === undefined || attachmentText(digest) !== undefined) return;
  const kept = await loadAttachment(digest);
  const text = kept ?? (await callText('GET', `/attachments/${digest}`));
  if (kept === undefined) sent.add(digest);
  await provide(digest, text);
}

/** Sends the server what an act will name. @throws OfflineError */
export async function sendAttachment(digest: string): Promise<void> {
  if (sent.has(digest)) return;
  const text = attachmentText(digest) ?? (await loadAttachment(digest));
  if (text === undefined) return; // the server may have it; else it says that it has not
  await callText('PUT', `/attachments/${digest}`, text);
  sent.add(digest);
}
