import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Job } from '@endrel/core/job/job';
import { failure, type Result } from '@endrel/core/result';
import { useCreateJob } from '../../api/jobs.ts';
import { Modal } from '../../components/Modal.tsx';
import { newId } from '../../session/new-id.ts';

interface Brought {
  readonly job: Job;
  readonly attachments?: Readonly<Record<string, string>>;
  /** What was taken for granted, in words. */
  readonly notes?: readonly string[];
}

/** A job file, or a network that is one's run; what reads them is fetched with the first one that is brought in. */
async function readFile(file: File): Promise<Result<Brought, readonly string[]>> {
  const { describeIssue, LARGEST_JOB_FILE, readJobFile } = await import('@endrel/core/job/read-job-file');
  if (file.size > LARGEST_JOB_FILE)
    return failure([`The file is ${(file.size / 1024 / 1024).toFixed(1)} MB; a job file is at most 2 MB.`]);
  const text = await file.text();
  if (!/\.inp$/i.test(file.name)) {
    const read = readJobFile(text);
    return read.ok ? read : failure(read.fault.map(describeIssue));
  }
  const [{ readInp }, { jobFromNetwork }] = await Promise.all([
    import('@endrel/core/networks/read-inp'),
    import('@endrel/core/run-files/job-from-network'),
  ]);
  const network = readInp(text);
  if (!network.ok) {
    const { line, message } = network.fault;
    return failure([`${line === undefined ? '' : `Line ${line}: `}${message}.`]);
  }
  const job = jobFromNetwork(network.value);
  return job.ok ? job : failure([`This network is no job’s run: ${job.fault}.`]);
}

/** Brings in a job file, or a network file as the run of a new job; a fault is shown with its field, and nothing is stored. */
export function ImportButton() {
  const input = useRef<HTMLInputElement>(null);
  const [faults, setFaults] = useState<{ file: string; lines: string[]; again?: () => void }>();
  const [taken, setTaken] = useState<{ id: string; notes: readonly string[] }>();
  const create = useCreateJob();
  const navigate = useNavigate();

  async function bring(file: File): Promise<void> {
    const read = await readFile(file);
    if (!read.ok) {
      setFaults({ file: file.name, lines: [...read.fault] });
      return;
    }
    const { job: brought, attachments, notes } = read.value;
    const job = { id: newId(), document: { ...brought, attachments } };
    const send = () =>
      create.mutate(job, {
        onSuccess: (made) => (notes ? setTaken({ id: made.id, notes }) : void navigate(`/jobs/${made.id}/run`)),
        onError: (error) => setFaults({ file: file.name, lines: [error.message], again: send }),
      });
    send();
  }

  return (
    <>
      <button className="button" onClick={() => input.current?.click()}>
        Bring in a job file
      </button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json,.inp"
        className="sr-only"
        tabIndex={-1}
        aria-label="Job file"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = ''; // the same file can be chosen again after it was mended
          if (file) void bring(file);
        }}
      />
      <Modal
        open={taken !== undefined}
        onClose={() => setTaken(undefined)}
        title="The network is a job now"
        description="What its file does not tell is unknown, or stands in as said here."
      >
        <Lines of={taken?.notes ?? []} />
        <button className="button button-ink" onClick={() => taken && void navigate(`/jobs/${taken.id}/run`)}>
          Open its run
        </button>
      </Modal>
      <Modal
        open={faults !== undefined}
        onClose={() => setFaults(undefined)}
        title="The job file was not brought in"
        description={faults?.again ? faults.file : `${faults?.file}: nothing was stored.`}
      >
        <Lines of={faults?.lines ?? []} />
        {faults?.again && (
          <button
            className="button"
            onClick={() => {
              setFaults(undefined);
              faults.again?.();
            }}
          >
            Try again
          </button>
        )}
      </Modal>
    </>
  );
}

const Lines = ({ of }: { of: readonly string[] }) => (
  <ul className="ruled my-3">
    {of.map((line) => (
      <li key={line} className="py-1.5">
        {line}
      </li>
    ))}
  </ul>
);
