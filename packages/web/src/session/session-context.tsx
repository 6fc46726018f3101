import { useQueryClient } from '@tanstack/react-query';
import { createContext, use, useCallback, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { StoredJob } from '@endrel/core/contract/api';
import type { Assessment } from '@endrel/core/assessment/assess';
import type { Act } from '@endrel/core/acts/act';
import type { Job } from '@endrel/core/job/job';
import type { Need } from '@endrel/core/reckoning/needs';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { sendAttachment } from '../api/attachments.ts';
import { actsSince, readJob, sendActs } from '../api/jobs.ts';
import { useFollowed, type Reckoning } from '../calc/use-followed.ts';
import { useKeptResult } from './kept-results.ts';
import { JobSession, type SessionSnapshot } from './job-session.ts';
import { followChanges } from './feed.ts';
import { keepJob } from './kept-jobs.ts';
import { keep, loadGone } from './kept-store.ts';
import { isPageGone } from './page-name.ts';
import { type Kept, type RefusedAct } from './kept.ts';
import { fieldOf } from './pending.ts';
import { typedText } from './typed-text.ts';
import { newId } from './new-id.ts';

// one context each, so that what follows the job is not drawn again because it was saved
const SessionContext = createContext<JobSession | undefined>(undefined);
const SnapshotContext = createContext<SessionSnapshot | undefined>(undefined);
const JobContext = createContext<Job | undefined>(undefined);
const AssessmentContext = createContext<Assessment | undefined>(undefined);
const ReckoningContext = createContext<Reckoning>({ state: 'reckoning' });
/** By the path of the field. */
const RefusedContext = createContext<ReadonlyMap<string, RefusedAct>>(new Map());
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
  /** Called once that is kept under this page's own name: then those that it was taken over from can forget it. */
  keptSafely(): void;
  /** What the person should know of it. */
  readonly notice: string | undefined;
  /** What was said of just this revision at the last visit. */
  readonly result: Assessment | undefined;
  /** It is as this browser kept it: the server did not answer. */
  readonly isWithoutServer: boolean;
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
        newId,
        after: (ms, action) => {
          const timer = setTimeout(action, ms);
          return () => clearTimeout(timer);
        },
      },
      kept,
    );
  }, [opened, queries]);
  const snapshot = useSyncExternalStore(session.subscribe, session.getSnapshot);
  const reckoning = useFollowed(session, opened.result);
  const assessment = 'assessment' in reckoning ? reckoning.assessment : undefined;
  useEffect(() => {
    opened.keptSafely();
    if (opened.notice !== undefined) session.say(opened.notice);
    if (opened.isWithoutServer) session.openedWithoutServer();
    // a page beside this one that is closed leaves what it had not saved
    const look = setInterval(() => {
      void loadGone(session.id, session.client, isPageGone).then(({ kept, typed, forget }) => {
        session.adopt(kept);
        typedText.bring(session.id, typed);
        forget();
      });
    }, LOOK_EVERY);
    return () => clearInterval(look);
  }, [session, opened]);
  useEffect(() => {
    const retry = () => session.retry();
    const flush = () => document.visibilityState === 'hidden' && session.retry();
    const leave = followChanges((heard) => {
      if (heard === 'look') session.hear(0);
      else if (heard.job === session.id && heard.revision !== undefined) session.hear(heard.revision);
    });
    window.addEventListener('online', retry);
    document.addEventListener('visibilitychange', flush);
    return () => {
      leave();
      window.removeEventListener('online', retry);
      document.removeEventListener('visibilitychange', flush);
      session.retry(); // leaving the job: save what waits
    };
  }, [session]);
  const { revision } = snapshot;
  useEffect(() => {
    const { id, savedAt } = opened.stored;
    keepJob({ id, savedAt, revision, document: session.stored.job });
  }, [session, opened, revision]);
  useKeptResult(session, reckoning);
  const { refused } = snapshot;
  const refusedByField = useMemo(() => new Map(refused.map((r) => [fieldOf(r.act)?.join('/') ?? r.id, r])), [refused]);
  const list = assessment?.findings.needs;
  const needs = useMemo(() => ({ list: list ?? [], paths: new Set(list?.map((n) => n.path.join('/'))) }), [list]);
  return (
    <SessionContext value={session}>
      <SnapshotContext value={snapshot}>
        <JobContext value={snapshot.job}>
          <ReckoningContext value={reckoning}>
            <AssessmentContext value={assessment}>
              <NeedsContext value={needs}>
                <RefusedContext value={refusedByField}>{children}</RefusedContext>
              </NeedsContext>
            </AssessmentContext>
          </ReckoningContext>
        </JobContext>
      </SnapshotContext>
    </SessionContext>
  );
}

const LOOK_EVERY = 3000; // ms

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
/** The same where a job may be open or not. */
export const useSessionIfOpen = (): JobSession | undefined => use(SessionContext);
/** How far it is saved, and which step comes back: other at each save too. */
export const useSnapshot = (): SessionSnapshot => given(use(SnapshotContext));
/** The job as it is shown: other at each edit. */
export const useJob = (): Job => given(use(JobContext));
/** The same where a job may be open or not. */
export const useJobIfOpen = (): Job | undefined => use(JobContext);
/** What there is to say of the job, once it is reckoned. */
export const useAssessment = (): Assessment | undefined => use(AssessmentContext);
/** Whether that is judged, of the last visit, still to come, or not to be had. */
export const useReckoning = (): Reckoning => use(ReckoningContext);
/** Other only when a need came or went. */
export const useNeeds = (): Needs => use(NeedsContext);
/** What was refused of a field, if anything was. */
export const useRefused = (path: FieldPath): RefusedAct | undefined => use(RefusedContext).get(path.join('/'));
export function useAct(): (act: Act, group?: string) => void {
  const session = useSession();
  return useCallback((act, group) => void session.act(act, group), [session]);
}
