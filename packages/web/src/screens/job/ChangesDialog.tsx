import { useChanges } from '../../api/jobs.ts';
import { Modal } from '../../components/Modal.tsx';
import { RefusedNote } from '../../components/RefusedNote.tsx';
import { useSession, useSnapshot } from '../../session/session-context.tsx';

/** What was done to the job, newest first, and what of it the server refused. */
export function ChangesDialog({ onClose }: { onClose(): void }) {
  const session = useSession();
  const { revision, refused } = useSnapshot();
  return (
    <Modal open onClose={onClose} title="Changes to this job" description="Newest first. They are kept for good.">
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
      <ChangeList id={session.id} revision={revision} />
    </Modal>
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
