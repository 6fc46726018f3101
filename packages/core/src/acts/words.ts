import type { Job } from '../job/job.ts';
import { partOrGone } from '../job/field-words.ts';
import { portOf } from '../parts/kinds.ts';

/** “the inlet of Fine filter” */
export const portWord = (job: Job, part: string, port: string): string =>
  `the ${(job.parts[part] && portOf(job.parts[part], port)?.name) ?? port} of ${partOrGone(job, part)}`;

export const withArticle = (word: string): string => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;

/** “clear” or “set” */
export const setOrClear = (value: unknown): string => (value === undefined ? 'clear' : 'set');
