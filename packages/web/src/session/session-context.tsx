import { useQueryClient } from '@tanstack/react-query';
import { createContext, use, useCallback, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { StoredJob } from '@endrel/core/contract/api';
import type { Assessment } from '@endrel/core/assess';
import type { Act } from '@endrel/core/job/acts/act';
import type { Job } from '@endrel/core/job/job';
import type { Need } from '@endrel/core/job/needs';
import { sendAttachment } from '../api/attachments.ts';
import { actsSince, readJob, sendActs } from '../api/jobs.ts';
import { useFollowed } from '../calc/use-followed.ts';
import { JobSession, type SessionSnapshot } from './job-session.ts';
import { keep } from './kept-store.ts';
import type { Kept } from './pending.ts';

// one context each, so that what follows the job is not drawn again because it was saved
const SessionContext = createContext<JobSession | undefined>(undefined);
const SnapshotContext = createContext<SessionSnapshot | undefined>(undefined);
const JobContext = createContext<Job | undefined>(undefined);
const AssessmentContext = createContext<Assessment | undefined>(undefined);
const NeedsContext = createContext<Needs>({ list: [], paths: new Set() });

/** What is still to be measured or chosen, and the paths of its fields. */
interface Needs {
  readonly list: readonly Need[];
  readonly paths: ReadonlySet<string>;
}

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
  const assessment = useFollowed(session);
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
  const list = assessment?.findings.needs;
  const needs = useMemo(() => ({ list: list ?? [], paths: new Set(list?.map((n) => n.path.join('/'))) }), [list]);
  return (
    <SessionContext value={session}>
      <SnapshotContext value={snapshot}>
        <JobContext value={snapshot.job}>
          <AssessmentContext value={assessment}>
            <NeedsContext value={needs}>{children}</NeedsContext>
          </AssessmentContext>
        </JobContext>
      </SnapshotContext>
    </SessionContext>
  );
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

function given<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('JobSessionProvider is missing');
  return value;
}
/** The job being edited, and what can be done with it: the same object as long as the job is open. */
export const useSession = (): JobSession => given(use(SessionContext));
/** How far it is saved, and which step comes back: other at each save too. */
export const useSnapshot = (): SessionSnapshot => given(use(SnapshotContext));
/** The job as it is shown: other at each edit. */
export const useJob = (): Job => given(use(JobContext));
/** What there is to say of the job, once it is reckoned. */
export const useAssessment = (): Assessment | undefined => use(AssessmentContext);
/** Other only when a need came or went. */
export const useNeeds = (): Needs => use(NeedsContext);
export function useAct(): (act: Act, group?: string) => void {
  const session = useSession();
  return useCallback((act, group) => void session.act(act, group), [session]);
}
