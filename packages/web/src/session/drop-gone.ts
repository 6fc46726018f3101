import { call } from '../api/client.ts';
import { followChanges } from './feed.ts';
import { forgetGone, forgetJob } from './kept-jobs.ts';

/** Drops what this browser keeps of jobs that were deleted for good, as soon as it hears of it. */
export const dropWhatIsGone = (): (() => void) =>
  followChanges((heard) => {
    if (heard === 'look') void call<string[]>('GET', '/jobs/gone').then(forgetGone, () => undefined);
    else if (heard.isGone) void forgetJob(heard.job);
  });
