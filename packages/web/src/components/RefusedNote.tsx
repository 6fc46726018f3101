import type { JobSession } from '../session/job-session.ts';
import type { RefusedAct } from '../session/kept.ts';

/** Why something was not saved, and what can be done with it. */
export function RefusedNote({ refused, session }: { refused: RefusedAct; session: JobSession }) {
  return (
    <p className="mb-1 border-l-4 border-stop px-2 text-[0.85rem]">
      <span className="font-semibold text-stop">Not saved:</span> {refused.why.replace(/[.]$/, '')}.{' '}
      <button type="button" className="underline" onClick={() => session.tryAgain(refused.id)}>
        Try again
      </button>{' '}
      <button type="button" className="underline" onClick={() => session.drop(refused.id)}>
        Leave it as the job has it
      </button>
    </p>
  );
}
