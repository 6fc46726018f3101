import { useState } from 'react';
import { Navigate, useParams } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { openJob } from '../../session/open-job.ts';
import { ScreenFault, ScreenLoading } from '../../components/ScreenState.tsx';
import { JobSessionProvider, useJobSession } from '../../session/session-context.tsx';
import { RunStrip } from '../../drawing/run/RunStrip.tsx';
import { BriefStage } from '../brief/BriefStage.tsx';
import { CardsStage } from '../cards/CardsStage.tsx';
import { GaugeStage } from '../gauge/GaugeStage.tsx';
import { HangerStage } from '../hanger/HangerStage.tsx';
import { LayoutStage } from '../layout/LayoutStage.tsx';
import { RunStage } from '../run/RunStage.tsx';
import { SurveyStage } from '../survey/SurveyStage.tsx';
import { ConflictDialog } from './ConflictDialog.tsx';
import { FinderDialog } from './FinderDialog.tsx';
import { JobHeader } from './JobHeader.tsx';
import { Readings } from './Readings.tsx';
import { ShortcutsDialog } from './ShortcutsDialog.tsx';
import { SnagGutter } from './SnagGutter.tsx';
import { StageRow } from './StageRow.tsx';
import { stageList } from './stages.ts';
import { useJobShortcuts } from './use-job-shortcuts.ts';
import { useJobView } from './use-job-view.ts';
import { WorkingSheet } from './WorkingSheet.tsx';

export function JobScreen() {
  const { id = '', stage = '' } = useParams();
  // read once per visit: from then on the session knows better than the cache
  const query = useQuery({
    queryKey: ['job', id],
    queryFn: () => openJob(id),
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
  const { snapshot, assessment } = useJobSession();
  const view = useJobView();
  const [working, setWorking] = useState<string>();
  const [dialog, setDialog] = useState<'shortcuts' | 'finder'>();
  useJobShortcuts(view, { openWorking: setWorking, openDialog: setDialog });
  const { job } = snapshot;
  return (
    <div className="flex min-h-screen flex-col lg:h-screen print:block print:h-auto">
      <title>{`${job.name} – Endrel`}</title>
      <JobHeader onHelp={() => setDialog('shortcuts')} />
      <div className="no-print border-b border-hair bg-sheet">
        <Readings point={view.point} onPoint={view.setPoint} onWorking={setWorking} />
        {Object.keys(job.parts).length > 0 ? (
          <RunStrip
            job={job}
            assessment={assessment}
            point={view.point}
            selected={view.part}
            onSelect={view.selectPart}
          />
        ) : (
          <p className="px-5 py-9 text-ink-soft">
            There is no run yet. Fill in the brief, then{' '}
            <button className="underline" onClick={() => view.goTo('layout')}>
              choose a layout
            </button>
            : Endrel lays the run out from it.
          </p>
        )}
      </div>
      <StageRow view={view} />
      <div className="flex min-h-0 flex-1 flex-col lg:flex-row print:block">
        <main className="min-w-0 flex-1 overflow-auto px-5 py-3 print:overflow-visible print:p-0" tabIndex={-1}>
          {view.stage === 'brief' && <BriefStage onWorking={setWorking} />}
          {view.stage === 'survey' && <SurveyStage />}
          {view.stage === 'layout' && <LayoutStage />}
          {view.stage === 'hanger' && <HangerStage />}
          {view.stage === 'run' && <RunStage view={view} onWorking={setWorking} />}
          {view.stage === 'gauge' && <GaugeStage view={view} />}
          {view.stage === 'cards' && <CardsStage />}
        </main>
        <SnagGutter view={view} />
      </div>
      <WorkingSheet openKey={working} onClose={() => setWorking(undefined)} onOpen={setWorking} view={view} />
      <ShortcutsDialog open={dialog === 'shortcuts'} onClose={() => setDialog(undefined)} />
      <FinderDialog open={dialog === 'finder'} onClose={() => setDialog(undefined)} view={view} />
      <ConflictDialog />
    </div>
  );
}
