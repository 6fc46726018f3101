import { useState, useSyncExternalStore } from 'react';
import { written } from '../session/kept-store.ts';
import { version } from './service-worker.ts';

/** Asks before a newer version of the application is loaded. */
export function NewerVersion() {
  const state = useSyncExternalStore(version.subscribe, version.get);
  const [isLater, setLater] = useState(false);
  if (state === 'current' || isLater) return null;
  return (
    <div
      role="status"
      className="no-print fixed bottom-3 left-3 z-50 flex max-w-[calc(100vw-1.5rem)] flex-wrap items-center gap-2 border-[1.5px] border-ink bg-sheet px-3 py-2"
    >
      <p>
        {state === 'newer' ? 'A newer Endrel is ready.' : 'Another page of this browser runs a newer Endrel.'} Loading
        it keeps what you typed.
      </p>
      <button className="button button-ink" onClick={() => void written().finally(() => version.load())}>
        Load it now
      </button>
      <button className="button" onClick={() => setLater(true)}>
        Later
      </button>
    </div>
  );
}
