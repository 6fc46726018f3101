import { useQueryClient } from '@tanstack/react-query';
import { createContext, use, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { StoredJob } from '@endrel/core/contract/api';
import type { Assessment } from '@endrel/core/assess';
import type { Act } from '@endrel/core/job/acts/act';
import type { Job } from '@endrel/core/job/job';
import { sendAttachment } from '../api/attachments.ts';
import { actsSince, readJob, sendActs } from '../api/jobs.ts';
import { useAssessment } from '../calc/use-assessment.ts';
import { JobSession, type SessionSnapshot } from './job-session.ts';
import { keep } from './kept-store.ts';
import type { Kept } from './pending.ts';

interface SessionValue {
  readonly session: JobSession;
  readonly snapshot: SessionSnapshot;
  readonly assessment: Assessment | undefined;
}
const Context = createContext<SessionValue | undefined>(undefined);

/** A job as it was opened: what the server has, and what this browser kept of it. */
export interface OpenedJob {
  readonly stored: StoredJob;
  readonly client: string;
  readonly kept: Kept;
}

export function JobSessionProvider({ opened, children }: { opened: OpenedJob; children: ReactNode }) {
  const queries = useQueryClient();
  const session = useMemo(() => {
    const { stored, client, kept } = opened;
    return new JobSession(
      stored,
      client,
      {
        send: async (id, request) => {
          for (const { act } of request.acts) await sendMeshOf(act as Act);
          const answer = await sendActs(id, request);
          void queries.invalidateQueries({ queryKey: ['jobs'] }); // the list shows this job too
          return answer;
        },
        since: actsSince,
        read: readJob,
        keep: (now) => keep(stored.id, client, now),
        newId: () => crypto.randomUUID(),
        after: (ms, action) => {
          const timer = setTimeout(action, ms);
          return () => clearTimeout(timer);
        },
      },
      kept,
    );
  }, [opened, queries]);
  const snapshot = useSyncExternalStore(session.subscribe, session.getSnapshot);
  const assessment = useAssessment(snapshot.job);
  useEffect(() => {
    const retry = () => session.retry();
    const flush = () => document.visibilityState === 'hidden' && session.retry();
    const feed = new EventSource(`/api/jobs/${session.id}/feed`);
    feed.onmessage = ({ data }) => session.hear((JSON.parse(String(data)) as { revision: number }).revision);
    window.addEventListener('online', retry);
    document.addEventListener('visibilitychange', flush);
    return () => {
      feed.close();
      window.removeEventListener('online', retry);
      document.removeEventListener('visibilitychange', flush);
      session.retry(); // leaving the job: save what waits
    };
  }, [session]);
  const value = useMemo(() => ({ session, snapshot, assessment }), [session, snapshot, assessment]);
  return <Context value={value}>{children}</Context>;
}

/** A mesh goes to the server before the act that names it. */
async function sendMeshOf(act: Act): Promise<void> {
  const values = act.act === 'set' ? [act.value] : act.act === 'restore' ? act.records.map((r) => r.value) : [];
  for (const value of values) {
    const named = value as { digest?: unknown; mesh?: { digest?: unknown } } | undefined;
    for (const digest of [named?.digest, named?.mesh?.digest])
      if (typeof digest === 'string') await sendAttachment(digest);
  }
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
