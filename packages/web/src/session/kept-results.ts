import { useEffect } from 'react';
import type { Assessment } from '@endrel/core/assessment/assess';
import { saidOf } from '@endrel/core/assessment/assessment-change';
import type { StoredJob } from '@endrel/core/contract/api';
import type { Reckoning } from '../calc/use-followed.ts';
import { database } from './browser-database.ts';
import type { JobSession } from './job-session.ts';

const PAUSE = 600; // ms without another

/** What was said of a job at the last visit, by just this build of Endrel of just this revision; else nothing. */
export async function loadResult({ id, revision, document }: StoredJob): Promise<Assessment | undefined> {
  try {
    const kept = await (await database()).get('results', id);
    if (kept?.build !== BUILD || kept.revision !== revision) return undefined;
    const { findings, snags } = kept.assessment;
    return saidOf(document, findings, snags);
  } catch {
    return undefined; // it is reckoned anew
  }
}

/** It goes when the job itself is kept here no more. */
async function keepResult(id: string, revision: number, { findings, snags }: Assessment): Promise<void> {
  const { job: _routed, asLeft: _asLeft, ...found } = findings;
  try {
    await (await database()).put('results', { id, revision, build: BUILD, assessment: { findings: found, snags } });
  } catch {
    // then the next visit waits for the reckoning
  }
}

/** Keeps what is said of a job once it is saved and nothing more is being done to it. */
export function useKeptResult(session: JobSession, reckoning: Reckoning): void {
  useEffect(() => {
    if (reckoning.state !== 'judged') return;
    const { assessment } = reckoning;
    const timer = setInterval(() => {
      const { job, revision, save } = session.getSnapshot();
      if (save.status === 'unsaved' || save.status === 'saving') return;
      clearInterval(timer);
      if (save.status === 'saved' && job === assessment.findings.asLeft)
        void keepResult(session.id, revision, assessment);
    }, PAUSE);
    return () => clearInterval(timer);
  }, [session, reckoning]);
}
