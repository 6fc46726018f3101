import { useState, useSyncExternalStore } from 'react';
import { useChanges } from '../../api/jobs.ts';
import { keeping } from '../../session/kept-store.ts';
import { useSession, useSnapshot } from '../../session/session-context.tsx';
import { RefusedNote } from '../../components/RefusedNote.tsx';
import { Modal } from '../../components/Modal.tsx';

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
      <Modal
        open={open}
        onClose={() => setOpen(false)}
        title="Changes to this job"
        aria-label={`${said}: changes to this job`}
        description="Newest first. They are kept for good."
      >
        {refused.length > 0 && (
          <section aria-label="Refused" className="my-2">
            <h3 className="text-[1.02rem]">Not saved, kept here until you decide</h3>
            {refused.map((r) => (
              <div key={r.id} className="my-1.5">
                <p>{r.label}</p>
                <RefusedNote refused={r} session={session} />
              </div>
            ))}
          </section>
        )}
        {open && <ChangeList id={session.id} revision={revision} />}
      </Modal>
    </>
  );
}

function ChangeList({ id, revision }: { id: string; revision: number }) {
  const query = useChanges(id, revision);
  if (query.status === 'pending') return <p className="py-3">Fetching the changes …</p>;
  if (query.status === 'error') return <p className="py-3 text-stop">{query.error.message}</p>;
  const changes = query.data.pages.flatMap((page) => page.changes);
  return (
    <>
      <ol className="ruled mt-2">
        {changes.map((change) => (
          <li key={change.revision} className="flex gap-3 py-1.5">
            <span className="figure w-8 shrink-0 text-right">{change.revision}</span>
            <span className="min-w-0 flex-1">
              {change.summary || 'edit'}
              <span className="block text-[0.82rem] text-ink-soft">
                {new Date(change.at).toLocaleString('en-GB')} · {change.actor} ·{' '}
                {change.fields === 1 ? 'one field' : `${change.fields} fields`}
              </span>
            </span>
          </li>
        ))}
      </ol>
      {query.hasNextPage && (
        <button className="button my-3" disabled={query.isFetchingNextPage} onClick={() => void query.fetchNextPage()}>
          {query.isFetchingNextPage ? 'Fetching more …' : 'Show more'}
        </button>
      )}
    </>
  );
}
