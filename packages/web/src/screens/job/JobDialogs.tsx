import { Suspense } from 'react';
import { loadable } from '../../components/loadable.tsx';
import { useSnapshot } from '../../session/session-context.tsx';
import type { JobView } from './use-job-view.ts';

export type JobDialog = 'shortcuts' | 'finder';

const ShortcutsDialog = loadable(() => import('./ShortcutsDialog.tsx').then((m) => m.ShortcutsDialog));
const FinderDialog = loadable(() => import('./FinderDialog.tsx').then((m) => m.FinderDialog));
const ConflictDialog = loadable(() => import('./ConflictDialog.tsx').then((m) => m.ConflictDialog));
export const ChangesDialog = loadable(() => import('./ChangesDialog.tsx').then((m) => m.ChangesDialog));
const WorkingSheet = loadable(() => import('./WorkingSheet.tsx').then((m) => m.WorkingSheet));

interface JobDialogsProps {
  readonly view: JobView;
  readonly open: JobDialog | undefined;
  readonly working: string | undefined;
  onClose(): void;
  onWorking(key: string | undefined): void;
}

/** What opens over a job; each is fetched when it is first opened, or in a quiet moment before. */
export function JobDialogs({ view, open, working, onClose, onWorking }: JobDialogsProps) {
  const { save } = useSnapshot();
  return (
    <Suspense fallback={null}>
      {save.status === 'conflict' && <ConflictDialog />}
      {open === 'shortcuts' && <ShortcutsDialog open onClose={onClose} />}
      {open === 'finder' && <FinderDialog open onClose={onClose} view={view} />}
      {working !== undefined && (
        <WorkingSheet openKey={working} onClose={() => onWorking(undefined)} onOpen={onWorking} view={view} />
      )}
    </Suspense>
  );
}

export const preloadDialogs = async (): Promise<void> => {
  for (const dialog of [WorkingSheet, ConflictDialog, ChangesDialog, FinderDialog, ShortcutsDialog])
    await dialog.preload();
};
