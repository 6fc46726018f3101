import { useQueryClient } from '@tanstack/react-query';
import { createContext, use, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { StoredJob } from '@endrel/core/contract/api';
import type { Assessment } from '@endrel/core/assess';
import type { Act } from '@endrel/core/job/acts/act';
import type { Job } from '@endrel/core/job/job';
import { saveJob } from '../api/jobs.ts';
import { useAssessment } from '../calc/use-assessment.ts';
import { keepDraft, loadDraft } from './draft-store.ts';
import { JobSession, type SessionSnapshot } from './job-session.ts';

interface SessionValue {
  readonly session: JobSession;
  readonly snapshot: SessionSnapshot;
  readonly assessment: Assessment | undefined;
}
const Context = createContext<SessionValue | undefined>(undefined);

export function JobSessionProvider({ stored, children }: { stored: StoredJob; children: ReactNode }) {
  const client = useQueryClient();
  const session = useMemo(
    () =>
      new JobSession(
        stored,
        {
          save: async (...request) => {
            const answer = await saveJob(...request);
            void client.invalidateQueries({ queryKey: ['jobs'] }); // the list shows this job too
            return answer;
          },
          keepDraft: (draft) => keepDraft(stored.id, draft),
          after: (ms, action) => {
            const timer = setTimeout(action, ms);
            return () => clearTimeout(timer);
          },
        },
        loadDraft(stored.id),
      ),
    [stored, client],
  );
  const snapshot = useSyncExternalStore(session.subscribe, session.getSnapshot);
  const assessment = useAssessment(snapshot.job);
  useEffect(() => {
    const retry = () => session.retry();
    const flush = () => document.visibilityState === 'hidden' && session.retry();
    window.addEventListener('online', retry);
    document.addEventListener('visibilitychange', flush);
    return () => {
      window.removeEventListener('online', retry);
      document.removeEventListener('visibilitychange', flush);
      session.retry(); // leaving the job: save what waits
    };
  }, [session]);
  const value = useMemo(() => ({ session, snapshot, assessment }), [session, snapshot, assessment]);
  return <Context value={value}>{children}</Context>;
}

export function useJobSession(): SessionValue {
  const value = use(Context);
  if (!value) throw new Error('JobSessionProvider is missing');
  return value;
}
export const useJob = (): Job => useJobSession().snapshot.job;
export function useAct(): (act: Act, group?: string) => void {
  const { session } = useJobSession();
  return (act, group) => session.act(act, group);
}
