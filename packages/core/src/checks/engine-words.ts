import { kindOf } from '../parts/kinds.ts';
import type { Job } from '../job/job.ts';
import { circuitsOf } from '../run/circuits.ts';

/** What the run ends at, as far as words go. */
export type EngineKind = 'injection' | 'direct' | 'carburettor';

export function engineKind(job: Job): EngineKind {
  const hasCarburettor = circuitsOf(job).parts.some((p) => kindOf(p).meters === 'float');
  if (hasCarburettor || job.brief.induction === 'carburettor') return 'carburettor';
  return job.brief.direct ? 'direct' : 'injection';
}

/** Said of the three in their own words. */
export const wordsFor = <T>(job: Job, words: Readonly<Record<EngineKind, T>>): T => words[engineKind(job)];
