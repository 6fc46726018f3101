import { Suspense, useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import type { JobFacts, JobSummary } from '@endrel/core/contract/summary';
import { isAway, OfflineError } from '../../api/client.ts';
import { readStored, useDeleteJob, useJobList, usePutAway, usePutBack, useShop } from '../../api/jobs.ts';
import { loadable } from '../../components/loadable.tsx';
import { download } from '../../components/download.ts';
import { useGoToThreads } from '../../components/use-go-to-threads.ts';
import { DrawingBoundary } from '../../components/DrawingBoundary.tsx';
import { ScreenFault, ScreenLoading } from '../../components/ScreenState.tsx';
import { ThemeButton, UnitsButton } from '../../components/PreferenceButtons.tsx';
import { GradeMark } from '../../drawing/GradeMark.tsx';
import { MiniRun } from '../../drawing/run/MiniRun.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { ImportButton } from './ImportButton.tsx';
import { JobsAtHand } from './JobsAtHand.tsx';
import { useWarmUp } from './use-warm-up.ts';

export function JobListScreen() {
  const shop = useShop();
  useGoToThreads();
  return (
    <div className="mx-auto max-w-[82rem] px-4 pb-16 sm:px-8">
      <title>Endrel – jobs</title>
      <header className="flex flex-wrap items-end gap-x-6 gap-y-2 border-b-2 border-ink pb-3 pt-6">
        <h1 className="text-3xl">Endrel</h1>
        <p className="text-ink-soft">{shop.data?.name}</p>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <Link className="button inline-block" to="/threads">
            Threads and adapters
          </Link>
          <Link className="button inline-block" to="/pumps">
            Pump library
          </Link>
          <UnitsButton />
          <ThemeButton />
          <ImportButton />
          <NewJob />
        </div>
      </header>
      <main>
        <JobList />
      </main>
      <footer className="label mt-8 border-t border-hair pt-2">
        Endrel advises. Fuel burns: the person who signs is responsible, and the local code comes first.{' '}
        <a className="underline" href="/notices.txt">
          Licences of what it ships with
        </a>
      </footer>
    </div>
  );
}

// what makes a job is fetched when one is made
const NewJobDialog = loadable(() => import('./NewJobDialog.tsx').then((m) => m.NewJobDialog));

function NewJob() {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button className="button button-ink" onClick={() => setOpen(true)}>
        New job
      </button>
      <Suspense fallback={null}>{isOpen && <NewJobDialog onClose={() => setOpen(false)} />}</Suspense>
    </>
  );
}

/** Another job that begins as this one. */
function CopyJob({ job }: { job: JobSummary }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button className="quiet" aria-label={`Copy: ${job.name}`} onClick={() => setOpen(true)}>
        Copy …
      </button>
      <Suspense fallback={null}>
        {isOpen && <NewJobDialog copied={{ id: job.id, name: job.name ?? '' }} onClose={() => setOpen(false)} />}
      </Suspense>
    </>
  );
}

function JobList() {
  const [sought, setSought] = useState('');
  const [showsAway, setShowsAway] = useState(false);
  const query = useJobList(useDeferredValue(sought.trim()), showsAway);
  useWarmUp(query.data?.pages[0]?.jobs.find((job) => job.unreadable === undefined)?.id);
  if (!query.data) {
    // each new try begins without an error: a server that was away is away until it answers
    const stillAway = query.error ? isAway(query.error) : query.errorUpdateCount > 0;
    if (stillAway)
      return (
        <JobsAtHand why={query.error?.message ?? new OfflineError().message} onRetry={() => void query.refetch()} />
      );
    return query.error ? (
      <ScreenFault error={query.error} onRetry={() => void query.refetch()} />
    ) : (
      <ScreenLoading what="the jobs" />
    );
  }
  const { atHand, away } = query.data.pages[0]!;
  const jobs = query.data.pages.flatMap((page) => page.jobs);
  // the last was taken out again; a count from before that is no reason
  if (showsAway && away === 0 && !query.isFetching) setShowsAway(false);
  if (atHand + away === 0)
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
        <h2 className="text-lg">
          {count(atHand)}
          {away > 0 && (
            <button className="quiet ml-3 text-[0.9rem] font-normal" onClick={() => setShowsAway(!showsAway)}>
              {showsAway ? 'Show those at hand' : `Show what is put away (${away})`}
            </button>
          )}
        </h2>
        <input
          type="search"
          aria-label="Find a job"
          placeholder="find a job"
          className="input max-w-64"
          value={sought}
          maxLength={200}
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
      {query.error && (
        <p role="status" className="border-l-4 border-fix px-2 py-1 text-fix">
          This is the list as it was; it may be behind. {query.error.message}
        </p>
      )}
      <ul className="sheet ruled">
        {jobs.map((job) => (
          <JobRow key={job.id} job={job} />
        ))}
      </ul>
      {query.hasNextPage && (
        <button className="button mt-4" disabled={query.isFetchingNextPage} onClick={() => void query.fetchNextPage()}>
          {query.isFetchingNextPage ? 'Fetching more …' : 'Show more'}
        </button>
      )}
      {jobs.length === 0 && (
        <p className="py-4 text-ink-soft">{sought ? 'No job is called that.' : 'None of them is here.'}</p>
      )}
    </>
  );
}

const count = (n: number) => (n === 1 ? 'One job' : `${n} jobs`);

const stateOf = ({ isAway, unreadable, state }: JobSummary): string => {
  if (isAway) return 'Put away';
  if (unreadable !== undefined) return 'Cannot be read';
  return state === 'finished' ? 'Finished' : 'Open';
};

function JobRow({ job }: { job: JobSummary }) {
  const { facts } = job;
  return (
    <li className="relative grid gap-x-6 gap-y-2 px-4 py-4 hover:bg-lit md:grid-cols-[minmax(15rem,1fr)_minmax(18rem,1.55fr)_minmax(14rem,1fr)]">
      <div>
        <h3 className="text-[1.15rem] leading-tight">
          {job.unreadable === undefined ? (
            <Link
              to={`/jobs/${job.id}/${(facts?.needs ?? 0) > 0 ? 'survey' : 'run'}`}
              className="after:absolute after:inset-0"
            >
              {job.name || 'A job without a name'}
            </Link>
          ) : (
            job.name || 'A job without a name'
          )}
        </h3>
        <p className="text-ink-soft">{job.vehicle}</p>
        <p className="label mt-1">
          {stateOf(job)} · saved{' '}
          {new Date(job.savedAt).toLocaleString('en-GB', {
            day: 'numeric',
            month: 'short',
            hour: '2-digit',
            minute: '2-digit',
          })}
        </p>
        <PutAway job={job} />
      </div>
      {job.unreadable !== undefined ? (
        <Unreadable id={job.id} why={job.unreadable} />
      ) : facts ? (
        <DrawingBoundary fallback="What is kept of this job for the list cannot be shown; open it.">
          <Facts facts={facts} />
        </DrawingBoundary>
      ) : (
        <p className="self-center text-ink-soft">
          {job.isBehind ? 'Being reckoned …' : 'Nothing of it could be reckoned for the list; open it.'}
        </p>
      )}
    </li>
  );
}

/** A job that cannot be read, and what can be done: it goes back to where it could be, or what is stored is had as a file. */
function Unreadable({ id, why }: { id: string; why: string }) {
  const [fault, setFault] = useState<string>();
  const putBack = usePutBack();
  const save = () =>
    void readStored(id).then(
      (text) => download(`stored-${id.slice(0, 8)}.json`, 'application/json', text),
      (error: Error) => setFault(error.message),
    );
  const said = fault ?? putBack.error?.message;
  return (
    <div className="self-center md:col-span-2">
      <p className="text-stop">
        This job cannot be read: {why}. It is kept as it is. Put it back to its last revision that can be read; what was
        done after that stays in its history.
      </p>
      <p className="relative z-10 mt-1 flex flex-wrap items-center gap-2">
        <button className="button button-ink" disabled={putBack.isPending} onClick={() => putBack.mutate(id)}>
          Put it back
        </button>
        <button className="button" onClick={save}>
          Save what is stored as a file
        </button>
      </p>
      {said && (
        <p role="alert" className="text-stop">
          {said}
        </p>
      )}
    </div>
  );
}

function Facts({ facts }: { facts: JobFacts }) {
  const units = useDisplayUnits();
  const open = facts.snags.stop + facts.snags.fix + facts.snags.note;
  return (
    <>
      <div className="self-center">
        <MiniRun run={facts.run} />
      </div>
      <div className="self-center">
        {facts.railPressure !== undefined && (
          <p>
            <span className="figure text-2xl">{units.show('pressure', facts.railPressure)}</span>{' '}
            <span className="label">at full load</span>
          </p>
        )}
        {facts.nextNeed !== undefined && (
          <p>
            <span className="font-semibold">{facts.needs} to measure</span>; next: {facts.nextNeed}
          </p>
        )}
        {facts.worst ? (
          <p className="flex gap-1.5">
            <GradeMark grade={facts.worst.grade} />
            <span>
              {facts.worst.what}
              {open > 1 && <span className="text-ink-soft"> And {open - 1} more.</span>}
            </span>
          </p>
        ) : (
          facts.needs === 0 && <p className="font-semibold text-good">Nothing wrong found</p>
        )}
      </div>
    </>
  );
}

/** Puts a job away and takes it out again; what is away can be deleted, after a second question. */
function PutAway({ job }: { job: JobSummary }) {
  const putAway = usePutAway();
  const remove = useDeleteJob();
  const [asked, setAsked] = useState(false);
  return (
    <p className="relative z-10 mt-1 flex gap-2 text-[0.85rem]">
      <button
        className="quiet -ml-1"
        aria-label={`${job.isAway ? 'Take out again' : 'Put away'}: ${job.name}`}
        onClick={() => putAway.mutate({ id: job.id, away: !job.isAway })}
      >
        {job.isAway ? 'Take out again' : 'Put away'}
      </button>
      {!job.isAway && job.unreadable === undefined && <CopyJob job={job} />}
      {job.isAway && !asked && (
        <button className="quiet text-stop" aria-label={`Delete for good: ${job.name}`} onClick={() => setAsked(true)}>
          Delete for good …
        </button>
      )}
      {asked && (
        <span className="max-w-[22rem]">
          Its document, history, notes and meshes are erased here, and in every browser that kept a copy when it next
          hears of it. Back-ups, and files that were saved, are not: those you erase yourself.{' '}
          <button className="quiet font-semibold text-stop" onClick={() => remove.mutate(job.id)}>
            Yes, erase it all
          </button>
        </span>
      )}
      {(putAway.error ?? remove.error) && <span className="text-stop">{(putAway.error ?? remove.error)?.message}</span>}
    </p>
  );
}
