import { ApiError, OfflineError } from '../api/client.ts';

export function ScreenLoading({ what }: { what: string }) {
  return (
    <p role="status" className="p-8 text-ink-soft">
      Fetching {what} …
    </p>
  );
}

const titleOf = (error: Error): string => {
  if (error instanceof OfflineError) return 'The server does not answer';
  if (error instanceof ApiError && error.fault.code === 'away') return 'The database is away for the moment';
  return 'This could not be shown';
};

/** What happened, what was kept, and what to do. */
export function ScreenFault({ error, onRetry }: { error: Error; onRetry(): void }) {
  return (
    <div role="alert" className="sheet m-8 max-w-xl p-6">
      <h1 className="text-xl">{titleOf(error)}</h1>
      <p className="my-3">{error.message}</p>
      <button className="button" onClick={onRetry}>
        Try again
      </button>
    </div>
  );
}
