import { Suspense, useState, useSyncExternalStore } from 'react';
import { keeping } from '../../session/kept-store.ts';
import { useSession, useSnapshot } from '../../session/session-context.tsx';
import { ChangesDialog } from './JobDialogs.tsx';

/** Whether the work is safe, in words; opens the list of changes. */
export function SaveBadge() {
  const session = useSession();
  const snapshot = useSnapshot();
  const [open, setOpen] = useState(false);
  const { save, revision, notice, refused } = snapshot;
  const isKept = useSyncExternalStore(keeping.subscribe, keeping.get);
  const words = {
    saved: 'saved',
    saving: 'saving …',
    unsaved: 'saving …',
    offline: isKept
      ? 'offline: kept in this browser, trying again by itself'
      : 'offline, and this browser keeps nothing: leave this page open',
    conflict: 'not saved: somebody else changed it too',
    refused: save.status === 'refused' ? `not saved: ${save.message}` : '',
  }[save.status];
  const trouble =
    refused.length > 0 || save.status === 'offline' || save.status === 'conflict' || save.status === 'refused';
  const said = [
    save.status === 'saved' ? `${words}, revision ${revision}` : words,
    refused.length > 0 && (refused.length === 1 ? 'one entry was refused' : `${refused.length} entries were refused`),
  ]
    .filter(Boolean)
    .join('; ');
  return (
    <>
      {/* beside the button: in it a status is not part of its name */}
      <span role="status" data-save={save.status} className="sr-only">
        {words}
      </span>
      <span aria-live="polite" className="min-w-0">
        {notice && (
          <button
            className="quiet max-w-[26rem] truncate text-[0.85rem] text-fix"
            title={notice}
            onClick={() => session.acknowledge()}
          >
            {notice} OK
          </button>
        )}
      </span>
      <button
        className={`quiet text-[0.85rem] ${trouble ? 'font-semibold text-fix' : 'text-ink-soft'}`}
        onClick={() => setOpen(true)}
        title="Changes to this job"
        aria-label={`${said}: changes to this job`}
      >
        <span aria-hidden>{said}</span>
      </button>
      {open && (
        <Suspense fallback={null}>
          <ChangesDialog onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
