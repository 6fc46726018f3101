import { readJobDocument } from '@endrel/core/job/read-job-file';
import type { Draft } from './job-session.ts';

const key = (id: string) => `endrel:draft:${id}`;

/** Unsaved work, kept in the browser until the server has it. */
export function loadDraft(id: string): Draft | undefined {
  try {
    const text = localStorage.getItem(key(id));
    if (text === null) return undefined;
    const draft = JSON.parse(text) as Draft;
    // an older Endrel may have left it here: both sides are brought to the current version
    const [job, base] = [readJobDocument(draft.job), readJobDocument(draft.base.document)];
    return job.ok && base.ok ? { job: job.value, base: { ...draft.base, document: base.value } } : undefined;
  } catch {
    return undefined; // a draft that cannot be read is worth less than a page that opens
  }
}

export function keepDraft(id: string, draft: Draft | undefined): void {
  try {
    if (draft) localStorage.setItem(key(id), JSON.stringify(draft));
    else localStorage.removeItem(key(id));
  } catch {
    // storage is full or forbidden: autosave still runs
  }
}

/** Text in fields that is no valid value yet, by job and field: so that leaving a stage loses none of it. */
const unfinished = new Map<string, string>();
export const unfinishedText = {
  get: (id: string, path: string): string | undefined => unfinished.get(`${id}/${path}`),
  set: (id: string, path: string, text: string | undefined): void => {
    if (text === undefined) unfinished.delete(`${id}/${path}`);
    else unfinished.set(`${id}/${path}`, text);
  },
};
