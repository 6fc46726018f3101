import { memo, useCallback, useState } from 'react';
import { Navigate, useParams } from 'react-router';
import { useQuery } from '@tanstack/react-query';
import { openJob } from '../../session/open-job.ts';
import { ScreenFault, ScreenLoading } from '../../components/ScreenState.tsx';
import { JobSessionProvider, useAssessment, useJob } from '../../session/session-context.tsx';
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
import { useJobView, type JobView } from './use-job-view.ts';
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

// an edit is drawn by those who follow the job, not by the whole page
const Strip = memo(RunStrip);
const Figures = memo(Readings);
const Stages = memo(StageRow);
const Brief = memo(BriefStage);
const Survey = memo(SurveyStage);
const Layout = memo(LayoutStage);
const Hanger = memo(HangerStage);
const Run = memo(RunStage);
const Gauge = memo(GaugeStage);
const Cards = memo(CardsStage);
const Gutter = memo(SnagGutter);
const Sheet = memo(WorkingSheet);
const Shortcuts = memo(ShortcutsDialog);
const Finder = memo(FinderDialog);
const Conflict = memo(ConflictDialog);

/** Run on top, stages below it, bench and snags under those: the same frame around every stage. */
function JobFrame() {
  const view = useJobView();
  const [working, setWorking] = useState<string>();
  const [dialog, setDialog] = useState<'shortcuts' | 'finder'>();
  const openShortcuts = useCallback(() => setDialog('shortcuts'), []);
  const closeDialog = useCallback(() => setDialog(undefined), []);
  const closeWorking = useCallback(() => setWorking(undefined), []);
  useJobShortcuts(view, { openWorking: setWorking, openDialog: setDialog });
  return (
    <div className="flex min-h-screen flex-col lg:h-screen print:block print:h-auto">
      <JobTitle />
      <JobHeader onHelp={openShortcuts} />
      <RunPanel view={view} onWorking={setWorking} />
      <Stages view={view} />
      <div className="flex min-h-0 flex-1 flex-col lg:flex-row print:block">
        <main className="min-w-0 flex-1 overflow-auto px-5 py-3 print:overflow-visible print:p-0" tabIndex={-1}>
          {view.stage === 'brief' && <Brief onWorking={setWorking} />}
          {view.stage === 'survey' && <Survey />}
          {view.stage === 'layout' && <Layout />}
          {view.stage === 'hanger' && <Hanger />}
          {view.stage === 'run' && <Run view={view} onWorking={setWorking} />}
          {view.stage === 'gauge' && <Gauge view={view} />}
          {view.stage === 'cards' && <Cards />}
        </main>
        <Gutter view={view} />
      </div>
      <Sheet openKey={working} onClose={closeWorking} onOpen={setWorking} view={view} />
      <Shortcuts open={dialog === 'shortcuts'} onClose={closeDialog} />
      <Finder open={dialog === 'finder'} onClose={closeDialog} view={view} />
      <Conflict />
    </div>
  );
}

function JobTitle() {
  return <title>{`${useJob().name} – Endrel`}</title>;
}

/** What the run has at the operating points, and the run itself. */
function RunPanel({ view, onWorking }: { view: JobView; onWorking(key: string): void }) {
  const assessment = useAssessment();
  const latest = useJob();
  const job = assessment?.findings.job ?? latest; // drawn once for an edit, with what it leads to
  return (
    <div className="no-print border-b border-hair bg-sheet">
      <Figures job={job} assessment={assessment} point={view.point} onPoint={view.setPoint} onWorking={onWorking} />
      {Object.keys(job.parts).length > 0 ? (
        <Strip job={job} assessment={assessment} point={view.point} selected={view.part} onSelect={view.selectPart} />
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
  );
}
