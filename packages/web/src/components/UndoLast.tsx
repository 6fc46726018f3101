import { useSessionIfOpen } from '../session/session-context.tsx';

/** Takes back the last act, where there is a job and one to take back. */
export function UndoLast() {
  const session = useSessionIfOpen();
  const undo = session?.getSnapshot().undo;
  if (!session || undo === undefined) return null;
  return (
    <button className="button button-ink" onClick={() => session.undo()}>
      Undo the last act: {undo}
    </button>
  );
}
