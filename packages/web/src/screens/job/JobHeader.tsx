import { CircleHelp, Download, Redo2, Undo2 } from 'lucide-react';
import { memo } from 'react';
import type { FieldPath } from '@endrel/core/fields/field-path';
import { Link } from 'react-router';
import { ThemeButton, UnitsButton } from '../../components/PreferenceButtons.tsx';
import { download } from '../../components/download.ts';
import type { JobSession } from '../../session/job-session.ts';
import { useSession, useSnapshot } from '../../session/session-context.tsx';
import { SaveBadge } from './SaveBadge.tsx';

export function JobHeader({ onHelp, onStepped }: { onHelp(): void; onStepped(paths: readonly FieldPath[]): void }) {
  const session = useSession();
  const { job, undo, redo } = useSnapshot();
  return <Header name={job.name} vehicle={job.vehicle} {...{ session, undo, redo, onHelp, onStepped }} />;
}

interface HeaderProps {
  readonly session: JobSession;
  readonly name: string;
  readonly vehicle: string;
  readonly undo: string | undefined;
  readonly redo: string | undefined;
  onHelp(): void;
  /** Told what a step put back. */
  onStepped(paths: readonly FieldPath[]): void;
}

/** Drawn again for another name or another step of undo, not at every edit. */
const Header = memo(function Header({ session, name, vehicle, undo, redo, onHelp, onStepped }: HeaderProps) {
  const saveAsFile = async () => {
    const { job } = session.getSnapshot();
    const [{ attachmentText }, { writeJobFile }] = await Promise.all([
      import('@endrel/core/attachments/attachment'),
      import('@endrel/core/job/read-job-file'),
    ]);
    download(`${fileName(job.name)}.endrel.json`, 'application/json', writeJobFile(job, attachmentText));
  };
  return (
    <header className="no-print flex flex-wrap items-center gap-x-3 border-b-2 border-ink px-5 py-1">
      <Link to="/" className="text-lg font-bold" style={{ fontStretch: '80%' }}>
        Endrel
      </Link>
      <span aria-hidden className="text-hair-strong">
        /
      </span>
      <h1 className="min-w-0 truncate text-lg">{name}</h1>
      <span className="hidden truncate text-ink-soft md:inline">{vehicle}</span>
      <div className="ml-auto flex items-center gap-0.5">
        <SaveBadge />
        <button
          className="quiet"
          disabled={undo === undefined}
          onClick={() => onStepped(session.undo())}
          title={undo ? `Undo: ${undo} (Ctrl+Z)` : undefined}
        >
          <Undo2 size={16} aria-hidden />
          <span className="sr-only">{undo ? `Undo: ${undo}` : 'Nothing to undo'}</span>
        </button>
        <button
          className="quiet"
          disabled={redo === undefined}
          onClick={() => onStepped(session.redo())}
          title={redo ? `Redo: ${redo} (Ctrl+Shift+Z)` : undefined}
        >
          <Redo2 size={16} aria-hidden />
          <span className="sr-only">{redo ? `Redo: ${redo}` : 'Nothing to redo'}</span>
        </button>
        <button
          className="quiet"
          onClick={() => void saveAsFile()}
          aria-label="Save as a job file"
          title="Save as a job file (.endrel.json)"
        >
          <Download size={16} aria-hidden />
        </button>
        <UnitsButton />
        <ThemeButton />
        <button className="quiet" onClick={onHelp} aria-label="Keyboard" title="Keyboard (?)">
          <CircleHelp size={16} aria-hidden />
        </button>
      </div>
    </header>
  );
});

const fileName = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'job';
