import { sayMouthFault } from '@endrel/core/routes/frame';
import type { RoutedLine } from '@endrel/core/routes/lines';
import { sayLineFault } from '@endrel/core/routes/say';
import { useJob } from '../../session/session-context.tsx';
import type { JobView } from '../job/use-job-view.ts';

/** What nobody measured yet of a line, each a way to its field; or why it cannot lie as it is told to. */
export function Missing({ line, view }: { line: RoutedLine; view?: JobView }) {
  const job = useJob();
  const asked = line.missing.filter((m) => m.of !== 'length');
  const { fault } = line;
  if (asked.length === 0 && !fault) return null;
  return (
    <div className="sheet mb-3 p-3" role="status">
      {asked.length > 0 && <p className="font-semibold">It can be drawn once these are measured:</p>}
      <ul>
        {asked.map((m, i) => (
          <li key={i}>
            {m.of === 'mouth' ? (
              <button
                className="underline decoration-hair-strong underline-offset-2"
                onClick={() =>
                  view?.goToField('routes', [
                    'parts',
                    m.fault.part,
                    'ports',
                    m.fault.port,
                    'place',
                    m.fault.missing === 'way' ? 'heading' : 'rearward',
                  ])
                }
              >
                {sayMouthFault(job, m.fault)}
              </button>
            ) : (
              `where place ${m.of === 'place' ? placeName(job.routes?.lines?.[line.part]?.through, m.row) : ''} is`
            )}
          </li>
        ))}
      </ul>
      {fault && <p className="text-stop">It cannot lie so. {sayLineFault(fault)}</p>}
    </div>
  );
}

const placeName = (rows: readonly { readonly id: string }[] | undefined, id: string): string => {
  const at = rows?.findIndex((r) => r.id === id) ?? -1;
  return at < 0 ? (id === 'start' ? 'at the tank' : id === 'finish' ? 'at its end' : '') : String(at + 1);
};
