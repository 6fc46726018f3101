import { Dialog } from 'radix-ui';
import { useSession, useSnapshot } from '../../session/session-context.tsx';

/** Two people changed the same fields: nothing was overwritten, and one of them decides. */
export function ConflictDialog() {
  const session = useSession();
  const snapshot = useSnapshot();
  const { save } = snapshot;
  if (save.status !== 'conflict') return null;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog"
          onEscapeKeyDown={(e) => e.preventDefault()}
          onInteractOutside={(e) => e.preventDefault()}
        >
          <Dialog.Title className="text-xl">Somebody else changed the same thing</Dialog.Title>
          <Dialog.Description className="my-2">
            Your “{save.label}” and another’s change met in one place, so yours was not saved. Nothing was overwritten,
            and all else that you did is kept.
          </Dialog.Description>
          <ul className="ruled my-3">
            {save.fields.map((field) => (
              <li key={field} className="py-1">
                {field}
              </li>
            ))}
          </ul>
          <div className="flex flex-wrap justify-end gap-2">
            <button className="button" onClick={() => session.takeTheirs()}>
              Take theirs (undo brings mine back)
            </button>
            <button className="button button-ink" onClick={() => session.keepMine()}>
              Keep mine
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
