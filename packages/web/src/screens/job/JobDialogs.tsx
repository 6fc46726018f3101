import { FinderDialog } from './FinderDialog.tsx';
import { ShortcutsDialog } from './ShortcutsDialog.tsx';
import type { JobView } from './use-job-view.ts';

export type JobDialog = 'shortcuts' | 'finder';

/** What opens over a job by a key. */
export function JobDialogs({ open, onClose, view }: { open: JobDialog | undefined; onClose(): void; view: JobView }) {
  return (
    <>
      <ShortcutsDialog open={open === 'shortcuts'} onClose={onClose} />
      <FinderDialog open={open === 'finder'} onClose={onClose} view={view} />
    </>
  );
}
