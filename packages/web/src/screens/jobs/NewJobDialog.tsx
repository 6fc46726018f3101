import { Dialog } from 'radix-ui';
import { useDeferredValue, useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { layouts, type LayoutKey } from '@endrel/core/job/layout';
import { readJob, useCreateJob, useJobList } from '../../api/jobs.ts';
import { useReturnFocus } from '../../components/return-focus.ts';
import { newId } from '../../session/new-id.ts';

/** What a new job begins from. */
type Start =
  | { readonly from: 'nothing' }
  | { readonly from: 'school'; readonly key: LayoutKey }
  | { readonly from: 'copy'; readonly id: string; readonly name: string };

interface NewJobDialogProps {
  /** The job to begin from, where it was asked for at one. */
  readonly copied?: { readonly id: string; readonly name: string };
  onClose(): void;
}

/** Starts a job: from nothing, from a school with its usual parts, or as a copy of another. */
export function NewJobDialog({ copied, onClose }: NewJobDialogProps) {
  const [draft, setDraft] = useState(readDraft);
  const [start, setStart] = useState<Start>(copied ? { from: 'copy', ...copied } : { from: 'nothing' });
  const [measured, setMeasured] = useState(true);
  const [fault, setFault] = useState<string>();
  const [isMaking, setMaking] = useState(false);
  const [id] = useState(newId);
  const create = useCreateJob();
  const navigate = useNavigate();
  const focus = useReturnFocus();
  const change = (next: Partial<Draft>) => setDraft((before) => keepDraft({ ...before, ...next }));

  async function submit(event: FormEvent): Promise<void> {
    event.preventDefault();
    setMaking(true);
    setFault(undefined);
    try {
      const title = { name: draft.name.trim(), vehicle: draft.vehicle.trim() };
      const made = await create.mutateAsync(
        start.from === 'nothing' ? { id, ...title } : { id, document: await documentOf(start, title, measured) },
      );
      keepDraft(nothing);
      void navigate(`/jobs/${made.id}/${start.from === 'copy' && !measured ? 'survey' : 'brief'}`, {
        state: { isNew: true },
      });
    } catch (error) {
      setFault((error as Error).message);
    } finally {
      setMaking(false);
    }
  }

  const choice = (from: Start['from'], label: string, next: () => Start) => (
    <label className="flex min-h-8 items-center gap-2">
      <input
        type="radio"
        name="start"
        className="h-4 w-4 accent-[var(--ink)]"
        checked={start.from === from}
        onChange={() => setStart(next())}
      />
      {label}
    </label>
  );
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" {...focus}>
          <Dialog.Title className="text-xl">New job</Dialog.Title>
          <Dialog.Description className="text-ink-soft">
            What is converted, for whom. The brief comes next.
          </Dialog.Description>
          <form onSubmit={(e) => void submit(e)} className="mt-3 space-y-3">
            <label className="block">
              <span className="label">Job</span>
              <input
                className="input"
                maxLength={80}
                required
                value={draft.name}
                onChange={(e) => change({ name: e.target.value })}
                placeholder="such as: boom truck, injected six"
              />
            </label>
            <label className="block">
              <span className="label">Vehicle</span>
              <input
                className="input"
                maxLength={120}
                value={draft.vehicle}
                onChange={(e) => change({ vehicle: e.target.value })}
              />
            </label>
            <fieldset>
              <legend className="label">Start from</legend>
              {choice('nothing', 'nothing: the layout is chosen once the brief is known', () => ({ from: 'nothing' }))}
              {choice('school', 'a school of layout, with its usual parts', () => ({
                from: 'school',
                key: 'bypassAfterRail',
              }))}
              {start.from === 'school' && (
                <SchoolChoice chosen={start.key} onChoose={(key) => setStart({ from: 'school', key })} />
              )}
              {choice('copy', 'a copy of a job', () => ({ from: 'copy', id: '', name: '' }))}
              {start.from === 'copy' && (
                <CopyChoice
                  chosen={start}
                  measured={measured}
                  onMeasured={setMeasured}
                  onChoose={(job) => setStart({ from: 'copy', ...job })}
                />
              )}
            </fieldset>
            {fault && (
              <p role="alert" className="text-stop">
                {fault}
              </p>
            )}
            <div className="flex justify-end gap-2">
              <Dialog.Close type="button" className="button">
                Cancel
              </Dialog.Close>
              <button
                className="button button-ink"
                disabled={draft.name.trim() === '' || isMaking || (start.from === 'copy' && start.id === '')}
              >
                Start the job
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The document that the new job begins with. */
async function documentOf(
  start: Exclude<Start, { from: 'nothing' }>,
  title: { name: string; vehicle: string },
  measured: boolean,
): Promise<unknown> {
  if (start.from === 'school') {
    const { jobOfSchool } = await import('@endrel/core/layouts/usual-parts');
    return jobOfSchool(start.key, title);
  }
  const [{ document }, { copyOf, copyWithoutMeasurements }] = await Promise.all([
    readJob(start.id),
    import('@endrel/core/job/copy-job'),
  ]);
  return measured ? copyOf(document, title) : copyWithoutMeasurements(document, title);
}

function SchoolChoice({ chosen, onChoose }: { chosen: LayoutKey; onChoose(key: LayoutKey): void }) {
  const of = (engine: 'injection' | 'carburettor') =>
    (Object.keys(layouts) as LayoutKey[])
      .filter((key) => layouts[key].engine === engine)
      .map((key) => (
        <option key={key} value={key}>
          {layouts[key].name}
        </option>
      ));
  return (
    <div className="mb-2 ml-6">
      <select
        aria-label="School"
        className="input"
        value={chosen}
        onChange={(e) => onChoose(e.target.value as LayoutKey)}
      >
        <optgroup label="Injection">{of('injection')}</optgroup>
        <optgroup label="Carburettor">{of('carburettor')}</optgroup>
      </select>
      <p className="label mt-1">
        {layouts[chosen].path}. Hose, line, pump, filters and regulator are put on with typical values, each marked so;
        what is measured on the vehicle stays unknown.
      </p>
    </div>
  );
}

function CopyChoice({
  chosen,
  measured,
  onMeasured,
  onChoose,
}: {
  chosen: { id: string; name: string };
  measured: boolean;
  onMeasured(measured: boolean): void;
  onChoose(job: { id: string; name: string }): void;
}) {
  const [sought, setSought] = useState('');
  const jobs = useJobList(useDeferredValue(sought.trim()), false);
  const found = (jobs.data?.pages[0]?.jobs ?? []).filter((j) => j.unreadable === undefined).slice(0, MOST);
  return (
    <div className="mb-2 ml-6">
      <input
        type="search"
        className="input"
        aria-label="Find the job to copy"
        placeholder="find the job to copy"
        maxLength={200}
        value={sought}
        onChange={(e) => setSought(e.target.value)}
      />
      <ul className="my-1 max-h-52 overflow-auto" aria-label="Jobs to copy">
        {(chosen.id !== '' && !found.some((j) => j.id === chosen.id) ? [chosen, ...found] : found).map((job) => (
          <li key={job.id}>
            <label className="flex min-h-7 items-center gap-2">
              <input
                type="radio"
                name="copied"
                className="h-4 w-4 accent-[var(--ink)]"
                checked={chosen.id === job.id}
                onChange={() => onChoose({ id: job.id, name: job.name ?? '' })}
              />
              {job.name || 'A job without a name'}
            </label>
          </li>
        ))}
      </ul>
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          className="h-4 w-4 accent-[var(--ink)]"
          checked={measured}
          onChange={(e) => onMeasured(e.target.checked)}
        />
        with its measurements
      </label>
      <p className="label">
        {measured
          ? 'Everything but what was overruled.'
          : 'Engine, layout and parts stay as they are; tank, hanger, gauge, lengths and heights are unknown again.'}
      </p>
    </div>
  );
}

const MOST = 8; // in a short list; the others are found by name

interface Draft {
  readonly name: string;
  readonly vehicle: string;
}
const nothing: Draft = { name: '', vehicle: '' };
const KEY = 'endrel:new-job';

/** What was typed and not started yet is there again, whatever became of the page. */
function readDraft(): Draft {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as Partial<Draft>;
    return { name: String(kept.name ?? ''), vehicle: String(kept.vehicle ?? '') };
  } catch {
    return nothing;
  }
}
function keepDraft(draft: Draft): Draft {
  try {
    if (draft.name === '' && draft.vehicle === '') sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, JSON.stringify(draft));
  } catch {
    // not kept where storage is full or forbidden; it is still in the field
  }
  return draft;
}
