import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useCreateJob } from '../../api/jobs.ts';
import { Modal } from '../../components/Modal.tsx';
import { newId } from '../../session/new-id.ts';

/** Brings in a job file; a fault is shown with its field, and nothing is stored. */
export function ImportButton() {
  const input = useRef<HTMLInputElement>(null);
  const [faults, setFaults] = useState<{ file: string; lines: string[]; again?: () => void }>();
  const create = useCreateJob();
  const navigate = useNavigate();

  async function bring(file: File): Promise<void> {
    // what reads a job is fetched with the first one that is brought in
    const { describeIssue, LARGEST_JOB_FILE, readJobFile } = await import('@endrel/core/job/read-job-file');
    if (file.size > LARGEST_JOB_FILE) {
      setFaults({
        file: file.name,
        lines: [`The file is ${(file.size / 1024 / 1024).toFixed(1)} MB; a job file is at most 2 MB.`],
      });
      return;
    }
    const read = readJobFile(await file.text());
    if (!read.ok) {
      setFaults({ file: file.name, lines: read.fault.map(describeIssue) });
      return;
    }
    const job = { id: newId(), document: { ...read.value.job, attachments: read.value.attachments } };
    const send = () =>
      create.mutate(job, {
        onSuccess: (made) => void navigate(`/jobs/${made.id}/run`),
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
        accept=".json,application/json"
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
        open={faults !== undefined}
        onClose={() => setFaults(undefined)}
        title="The job file was not brought in"
        description={faults?.again ? faults.file : `${faults?.file}: nothing was stored.`}
      >
        <ul className="ruled my-3">
          {faults?.lines.map((line) => (
            <li key={line} className="py-1.5">
              {line}
            </li>
          ))}
        </ul>
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
