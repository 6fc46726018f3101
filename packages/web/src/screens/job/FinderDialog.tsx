import { useState } from 'react';
import { useNavigate } from 'react-router';
import { partKinds, partName } from '@endrel/core/parts/kinds';
import { partsOnRun } from '@endrel/core/parts/graph';
import { lookOf, sayThread, threads, type Thread } from '@endrel/core/threads/thread';
import { useJobList } from '../../api/jobs.ts';
import { useJob } from '../../session/session-context.tsx';
import type { JobView } from './use-job-view.ts';
import { Modal } from '../../components/Modal.tsx';

/** Finds a part of this job, another job, or a thread, by its name. */
export function FinderDialog({ open, onClose, view }: { open: boolean; onClose(): void; view: JobView }) {
  return (
    <Modal open={open} onClose={onClose} title="Find a part, a job or a thread" closeButton={false}>
      {open && <Finder onClose={onClose} view={view} />}
    </Modal>
  );
}

/** The finder of threads with what a caliper and a gauge would read on that one. */
const readingOf = (thread: Thread): string =>
  new URLSearchParams({
    d: `${(thread.readMale * 1000).toFixed(2)} mm`,
    pitch: `${(thread.pitch * 1000).toFixed(4)} mm`,
    seat: lookOf(thread, 'male'),
  }).toString();

function Finder({ onClose, view }: { onClose(): void; view: JobView }) {
  const job = useJob();
  const navigate = useNavigate();
  const [sought, setSought] = useState('');
  const jobs = useJobList(sought.trim(), false);
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (text: string) => words.every((w) => text.toLowerCase().includes(w));
  const found = [
    ...partsOnRun(job).map((c) => ({
      key: c.id,
      name: partName(c),
      kind: partKinds[c.kind].name.toLowerCase(),
      go: () => view.selectPart(c.id),
    })),
    ...(jobs.data?.pages[0]?.jobs ?? [])
      .filter((j) => j.id !== view.jobId)
      .map((j) => ({ key: j.id, name: j.name ?? '', kind: 'job', go: () => void navigate(`/jobs/${j.id}/run`) })),
    ...threads.map((thread) => ({
      key: thread.code,
      name: sayThread(thread),
      kind: 'thread',
      go: () => void navigate(`/threads?${readingOf(thread)}`),
    })),
  ].filter((item) => fits(`${item.name} ${item.kind}`));
  const choose = (go: () => void) => {
    onClose();
    go();
  };
  return (
    <form
      className="mt-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (found[0]) choose(found[0].go);
      }}
    >
      <input
        className="input"
        aria-label="Find"
        autoFocus
        value={sought}
        onChange={(e) => setSought(e.target.value)}
        placeholder="filter, hose, a job, 9/16-18 …"
      />
      <ul className="ruled mt-2">
        {found.slice(0, 12).map((item) => (
          <li key={item.key}>
            <button
              type="button"
              className="flex w-full justify-between py-1.5 text-left hover:bg-lit"
              onClick={() => choose(item.go)}
            >
              {item.name} <span className="text-ink-soft">{item.kind}</span>
            </button>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="py-2 text-ink-soft">Nothing is called that.</p>}
    </form>
  );
}
