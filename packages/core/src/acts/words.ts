import type { Job } from '../job/job.ts';
import { partName, portOf } from '../parts/kinds.ts';

/** Names for the sentences of acts. */
export const nameOf = (job: Job, id: string): string =>
  job.parts[id] ? partName(job.parts[id]) : 'a part that is gone';

/** “the inlet of Fine filter” */
export const portWord = (job: Job, part: string, port: string): string =>
  `the ${(job.parts[part] && portOf(job.parts[part], port)?.name) ?? port} of ${nameOf(job, part)}`;

export const withArticle = (word: string): string => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;

/** “clear” or “set” */
export const setOrClear = (value: unknown): string => (value === undefined ? 'clear' : 'set');
