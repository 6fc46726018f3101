import { Link } from 'react-router';
import { useJobsAtHand } from '../../api/jobs.ts';

/** While the server is away: what this browser can open by itself. */
export function JobsAtHand({ why, onRetry }: { why: string; onRetry(): void }) {
  const { data: jobs, isPending } = useJobsAtHand();
  if (isPending) return null;
  return (
    <section className="my-4">
      <div role="alert" className="sheet border-l-4 border-l-fix px-4 py-3">
        <h2 className="text-lg">The server does not answer</h2>
        <p className="my-1">
          {why} Endrel asks again by itself every few seconds.{' '}
          {jobs?.length
            ? 'These jobs are kept in this browser: open one and work on it; what you do is sent once the server is back.'
            : 'No job is kept in this browser yet: one that was opened here can be opened without the server from then on.'}
        </p>
        <button className="button" onClick={onRetry}>
          Try again
        </button>
      </div>
      {jobs && jobs.length > 0 && (
        <ul className="sheet ruled mt-3" aria-label="Jobs kept in this browser">
          {jobs.map((job) => (
            <li key={job.id} className="relative px-4 py-3 hover:bg-lit">
              <h3 className="text-[1.1rem] leading-tight">
                <Link to={`/jobs/${job.id}/run`} className="after:absolute after:inset-0">
                  {job.name || 'A job without a name'}
                </Link>
              </h3>
              <p className="text-ink-soft">{job.vehicle}</p>
              <p className="label">
                kept {new Date(job.keptAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
                {job.unsent > 0 && (
                  <span className="font-semibold text-fix">
                    {' '}
                    · {job.unsent === 1 ? 'one change' : `${job.unsent} changes`} still to be sent
                  </span>
                )}
              </p>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
