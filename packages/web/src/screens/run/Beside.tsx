import { useState } from 'react';
import { CopyPlus } from 'lucide-react';
import type { ActOf } from '@endrel/core/acts/act';
import { throughPorts } from '@endrel/core/acts/graph-edit';
import type { Job } from '@endrel/core/job/job';
import { isPump, partName, type Part } from '@endrel/core/parts/kinds';
import { circuitsOf } from '@endrel/core/run/circuits';
import { ActButton } from '../../components/ActButton.tsx';
import { Modal } from '../../components/Modal.tsx';
import { useJob } from '../../session/session-context.tsx';
import { newPartId } from './place-part.ts';

/** Kinds that stand side by side in a line; of others another is put in by itself. */
const DOUBLED = new Set<Part['kind']>(['pump', 'filter', 'rail', 'checkValve', 'hose', 'hardLine']);

/** Another like it, with what the two need together, in one act. */
export function Beside({ part, onAdded }: { part: Part; onAdded(id: string): void }) {
  const job = useJob();
  const [isOpen, setOpen] = useState(false);
  if (!DOUBLED.has(part.kind) || part.aside || !throughPorts(part) || circuitsOf(job).into(part.id).length === 0)
    return null;
  return (
    <>
      <button
        className="quiet"
        onClick={() => setOpen(true)}
        aria-label="Put another beside it"
        title="Put another beside it"
      >
        <CopyPlus size={16} aria-hidden />
      </button>
      <Modal open={isOpen} onClose={() => setOpen(false)} title={`Another beside “${partName(part)}”`}>
        {isOpen && (
          <Choices
            part={part}
            job={job}
            onDone={(id) => {
              setOpen(false);
              onAdded(id);
            }}
          />
        )}
      </Modal>
    </>
  );
}

type Wanted = Pick<ActOf<'addBeside'>, 'by' | 'ownPickup' | 'checkValves' | 'isWired'>;

function Choices({ part, job, onDone }: { part: Part; job: Job; onDone(id: string): void }) {
  const pump = isPump(part) && part.kind === 'pump' ? part : undefined;
  const run = circuitsOf(job);
  const canDrawItself = pump !== undefined && run.tank !== undefined && !run.isOnPressure(run.into(part.id)[0]!.from);
  const [wanted, setWanted] = useState<Wanted>({
    by: 'tee',
    ownPickup: canDrawItself && pump.place === 'inTank',
    checkValves: pump !== undefined,
    isWired: pump !== undefined && job.wiring !== undefined,
  });
  const [id] = useState(() => newPartId(job, part.kind));
  const { ports: _ports, ...measured } = part;
  const other = { ...measured, id, label: `Second ${partName(part).toLowerCase()}`.slice(0, 60) } as Part;
  const tick = (key: 'ownPickup' | 'checkValves' | 'isWired', text: string) => (
    <label className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        checked={wanted[key] ?? false}
        onChange={(e) => setWanted({ ...wanted, [key]: e.target.checked })}
      />
      {text}
    </label>
  );
  return (
    <div className="mt-2">
      <p className="text-ink-soft">
        It begins as a copy: the same measurements, until it is looked at. Behind the two the line is joined again.
      </p>
      <fieldset className="my-2">
        <legend className="label">The line is parted and joined by</legend>
        {(['tee', 'y'] as const).map((by) => (
          <label key={by} className="mr-5 inline-flex min-h-8 items-center gap-2">
            <input type="radio" checked={wanted.by === by} onChange={() => setWanted({ ...wanted, by })} />
            {by === 'tee' ? 'tees' : 'Ys'}
          </label>
        ))}
      </fieldset>
      {canDrawItself && tick('ownPickup', 'A pickup and a sock of its own in the tank')}
      {pump && tick('checkValves', 'A check valve in the outlet of each, so that neither pumps back through the other')}
      {pump && tick('isWired', 'A relay and a fuse of its own in the circuit')}
      <div className="mt-3">
        <ActButton
          className="button button-ink"
          act={{ act: 'addBeside', id: part.id, part: other, ...wanted }}
          onDone={() => onDone(id)}
        >
          Put it beside
        </ActButton>
      </div>
    </div>
  );
}
