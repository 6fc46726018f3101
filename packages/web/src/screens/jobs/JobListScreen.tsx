import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { JobSummary } from '@endrel/core/contract/summary';
import { useJobList, useShop } from '../../api/jobs.ts';
import { ScreenFault, ScreenLoading } from '../../components/ScreenState.tsx';
import { ThemeButton, UnitsButton } from '../../components/PreferenceButtons.tsx';
import { GradeMark } from '../../drawing/GradeMark.tsx';
import { MiniRun } from '../../drawing/run/MiniRun.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { ImportButton } from './ImportButton.tsx';
import { NewJobDialog } from './NewJobDialog.tsx';

export function JobListScreen() {
  const query = useJobList();
  const shop = useShop();
  return (
    <div className="mx-auto max-w-[82rem] px-4 pb-16 sm:px-8">
      <title>Endrel – jobs</title>
      <header className="flex flex-wrap items-end gap-x-6 gap-y-2 border-b-2 border-ink pb-3 pt-6">
        <h1 className="text-3xl">Endrel</h1>
        <p className="text-ink-soft">{shop.data?.name}</p>
        <div className="ml-auto flex items-center gap-2">
          <Link className="button inline-block" to="/pumps">
            Pump library
          </Link>
          <UnitsButton />
          <ThemeButton />
          <ImportButton />
          <NewJobDialog />
        </div>
      </header>
      <main>
        {query.status === 'pending' && <ScreenLoading what="the jobs" />}
        {query.status === 'error' && <ScreenFault error={query.error} onRetry={() => void query.refetch()} />}
        {query.status === 'success' && <JobList jobs={query.data} />}
      </main>
    </div>
  );
}

function JobList({ jobs }: { jobs: readonly JobSummary[] }) {
  const [sought, setSought] = useState('');
  const found = useMemo(() => {
    const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
    return jobs.filter((job) => words.every((word) => `${job.name} ${job.vehicle}`.toLowerCase().includes(word)));
  }, [jobs, sought]);
  if (jobs.length === 0)
    return (
      <div className="sheet my-8 max-w-2xl p-6">
        <h2 className="text-xl">No jobs yet</h2>
        <p className="mt-2">
          Start a new job with its name and vehicle, or bring in a job file. The brief comes first: what the engine
          wants.
        </p>
      </div>
    );
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-3 py-3">
        <h2 className="text-lg">{jobs.length === 1 ? 'One job' : `${jobs.length} jobs`}</h2>
        <input
          type="search"
          aria-label="Find a job"
          placeholder="find a job"
          className="input max-w-64"
          value={sought}
          onChange={(e) => setSought(e.target.value)}
          ref={(node) => {
            if (!node) return;
            const jump = (e: KeyboardEvent) => {
              if (e.key !== '/' || e.target instanceof HTMLInputElement) return;
              e.preventDefault();
              node.focus();
            };
            document.addEventListener('keydown', jump);
            return () => document.removeEventListener('keydown', jump);
          }}
        />
      </div>
      <ul className="sheet ruled">
        {found.map((job) => (
          <JobRow key={job.id} job={job} />
        ))}
      </ul>
      {found.length === 0 && <p className="py-4 text-ink-soft">No job is called that.</p>}
    </>
  );
}

function JobRow({ job }: { job: JobSummary }) {
  const units = useDisplayUnits();
  const open = job.snags.stop + job.snags.fix + job.snags.note;
  return (
    <li className="relative grid gap-x-6 gap-y-2 px-4 py-4 hover:bg-lit md:grid-cols-[minmax(15rem,1fr)_minmax(18rem,1.55fr)_minmax(14rem,1fr)]">
      <div>
        <h3 className="text-[1.15rem] leading-tight">
          <Link to={`/jobs/${job.id}/${job.needs > 0 ? 'survey' : 'run'}`} className="after:absolute after:inset-0">
            {job.name}
          </Link>
        </h3>
        <p className="text-ink-soft">{job.vehicle}</p>
        <p className="label mt-1">
          {job.state === 'finished' ? 'Finished' : 'Open'} · saved{' '}
          {new Date(job.savedAt).toLocaleString('en-GB', {
            day: 'numeric',
            month: 'short',
            hour: '2-digit',
            minute: '2-digit',
          })}
        </p>
      </div>
      <div className="self-center">
        <MiniRun run={job.run} />
      </div>
      <div className="self-center">
        {job.railPressure !== undefined && (
          <p>
            <span className="figure text-2xl">{units.show('pressure', job.railPressure)}</span>{' '}
            <span className="label">at full load</span>
          </p>
        )}
        {job.nextNeed !== undefined && (
          <p>
            <span className="font-semibold">{job.needs} to measure</span>; next: {job.nextNeed}
          </p>
        )}
        {job.worst ? (
          <p className="flex gap-1.5">
            <GradeMark grade={job.worst.grade} />
            <span>
              {job.worst.what}
              {open > 1 && <span className="text-ink-soft"> And {open - 1} more.</span>}
            </span>
          </p>
        ) : (
          job.needs === 0 && <p className="font-semibold text-good">Nothing wrong found</p>
        )}
      </div>
    </li>
  );
}
