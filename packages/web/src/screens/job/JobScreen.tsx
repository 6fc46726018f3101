import { Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { Navigate, useLocation, useParams, useNavigate } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { openJob } from '../../session/open-job.ts';
import { ScreenFault, ScreenLoading } from '../../components/ScreenState.tsx';
import { JobSessionProvider, useAssessment, useJob, useReckoning, useSession } from '../../session/session-context.tsx';
import { markFailed, takeFailed } from '../../session/failed-places.ts';
import { Boundary } from '../../components/Boundary.tsx';
import { whenQuiet } from '../../components/when-quiet.ts';
import type { FieldPath } from '@endrel/core/fields/field-path';
import type { Stage } from '@endrel/core/job/stage';
import { showUndone } from './show-undone.ts';
import { JobDialogs, preloadDialogs, type JobDialog } from './JobDialogs.tsx';
import { JobHeader } from './JobHeader.tsx';
import { preloadRun, RunPanel } from './RunPanel.tsx';
import { SnagGutter } from './SnagGutter.tsx';
import { preloadStages, stageScreens } from './stage-screens.ts';
import { StageRow } from './StageRow.tsx';
import { stageList } from './stages.ts';
import { useJobShortcuts } from './use-job-shortcuts.ts';
import { useJobView, type JobView } from './use-job-view.ts';
import { useStrip } from './use-strip.ts';

export function JobScreen() {
  const { id = '', stage = '' } = useParams();
  // read once per visit: from then on the session knows better than the cache
  const query = useQuery({
    queryKey: ['job', id],
    queryFn: () => openJob(id),
    networkMode: 'always', // without the server what this browser keeps is opened
    staleTime: Infinity,
    gcTime: 0,
    refetchOnReconnect: false,
  });
  if (!stageList.some((s) => s.key === stage)) return <Navigate to={`/jobs/${id}/brief`} replace />;
  switch (query.status) {
    case 'pending':
      return <ScreenLoading what="the job" />;
    case 'error':
      return <ScreenFault error={query.error} onRetry={() => void query.refetch()} />;
    case 'success':
      return (
        <JobSessionProvider opened={query.data}>
          <JobFrame />
        </JobSessionProvider>
      );
  }
}

/** Run on top, stages below it, bench and snags under those: the same frame around every stage. */
function JobFrame() {
  const view = useJobView();
  const strip = useStrip(view.stage);
  const [working, setWorking] = useState<string>();
  const [dialog, setDialog] = useState<JobDialog>();
  const openShortcuts = useCallback(() => setDialog('shortcuts'), []);
  const viewNow = useRef(view);
  useEffect(() => void (viewNow.current = view));
  const onStepped = useCallback((paths: readonly FieldPath[]) => showUndone(viewNow.current, paths), []);
  const closeDialog = useCallback(() => setDialog(undefined), []);
  const navigate = useNavigate();
  useJobShortcuts(view, {
    openWorking: setWorking,
    openDialog: setDialog,
    flipStrip: strip.flip,
    goToThreads: () => void navigate('/threads'),
  });
  useEffect(
    () =>
      whenQuiet(async () => {
        for (const fetch of [preloadRun, preloadDialogs, preloadStages]) await fetch();
      }),
    [],
  );
  const StageScreen = stageScreens[view.stage];
  const job = useJob();
  useElsewhere(view);
  const { state } = useReckoning();
  return (
    <div
      data-reckoning={state}
      className="relative flex min-h-screen flex-col overflow-x-clip lg:h-screen lg:overflow-hidden print:block print:h-auto print:overflow-visible"
    >
      <JobTitle />
      <JobHeader onHelp={openShortcuts} onStepped={onStepped} />
      <Boundary what="The run and its figures" tries={[job]}>
        <RunPanel view={view} strip={strip} onWorking={setWorking} />
      </Boundary>
      <StageRow view={view} />
      <div className="flex min-h-0 flex-1 flex-col lg:flex-row print:block">
        <main
          className="relative min-w-0 flex-1 overflow-auto px-5 py-2 outline-none max-lg:pb-16 print:overflow-visible print:p-0"
          tabIndex={-1}
          aria-label="Bench"
        >
          <Boundary
            key={view.stage}
            what={`The stage “${nameOf(view.stage)}”`}
            tries={[job]}
            ways={<OtherStage view={view} />}
            onFailed={() => markFailed(window.location)}
          >
            <About view={view} />
            <Suspense fallback={<p className="py-4 text-ink-soft">Fetching this stage …</p>}>
              {StageScreen && <StageScreen view={view} onWorking={setWorking} />}
              <Arrived key={view.stage} view={view} />
            </Suspense>
          </Boundary>
        </main>
        <Boundary what="The snags" tries={[job]}>
          <SnagGutter view={view} />
        </Boundary>
      </div>
      <Boundary what="What was opened" tries={[job, dialog, working]}>
        <JobDialogs view={view} open={dialog} working={working} onClose={closeDialog} onWorking={setWorking} />
      </Boundary>
    </div>
  );
}

/** What a job opens with, fetched beforehand. */
export async function preloadJob(): Promise<void> {
  await preloadRun();
  await stageScreens.run?.preload();
  await stageScreens.survey?.preload();
}

/** While the run cannot be solved yet: what the stage settles and where to begin. Later it is under `?`. */
function About({ view }: { view: JobView }) {
  const assessment = useAssessment();
  if (!assessment || assessment.findings.solution) return null;
  return <p className="label mb-1 max-w-[58rem]">{stageList.find((s) => s.key === view.stage)?.about}</p>;
}

const nameOf = (stage: Stage): string => stageList.find((s) => s.key === stage)?.name ?? stage;

/** A job that was left on a place that could not be drawn opens on another. */
function useElsewhere(view: JobView): void {
  const session = useSession();
  const [hasFailed] = useState(() => takeFailed(window.location));
  useEffect(() => {
    if (!hasFailed) return;
    session.say(`“${nameOf(view.stage)}” could not be drawn when it was last open, so this is another stage.`);
    view.goTo(view.stage === 'brief' ? 'survey' : 'brief');
  }, []); // eslint-disable-line react-hooks/exhaustive-deps -- as it opens, once
}

/** Where to go on while a stage cannot be drawn. */
function OtherStage({ view }: { view: JobView }) {
  const other = view.stage === 'brief' ? 'survey' : 'brief';
  return (
    <button className="button" onClick={() => view.goTo(other)}>
      Go to {nameOf(other)}
    </button>
  );
}

/** Drawn with the stage itself: a field that was asked for can be looked for now. */
function Arrived({ view }: { view: JobView }) {
  const state: unknown = useLocation().state;
  const isNew = (state as { isNew?: boolean } | null)?.isNew === true;
  useEffect(() => view.arrived());
  // a job that was just started begins with its first field
  useEffect(() => {
    if (isNew) document.querySelector<HTMLElement>('main :is(input, select, textarea)')?.focus();
  }, [isNew]);
  return null;
}

function JobTitle() {
  return <title>{`${useJob().name} – Endrel`}</title>;
}
