import { stageList } from './stages.ts';
import { Modal } from '../../components/Modal.tsx';

const keys: [string, string][] = [
  ['← →', 'walk the run, when a part has the focus'],
  ['n, N', 'next and previous snag'],
  ['m', 'the next missing measurement'],
  ['w', 'working of the pressure at the chosen point'],
  ['u', 'flip units'],
  ['/', 'find a part, a job or a thread'],
  ['Ctrl+Z, Ctrl+Shift+Z', 'undo and redo across the job'],
  ['↑ ↓ in a field', 'step the value; with Shift ten times as far'],
  ['Esc in a field', 'back to the stored value; once more leaves the field'],
  ['Esc', 'no part is chosen any more: the whole run'],
  ['o', 'draw the whole run, or fold it into one line'],
  ['g t', 'go to threads and adapters'],
  ...stageList.map(({ name, letter }): [string, string] => [`g ${letter}`, `go to ${name}`]),
];

export function ShortcutsDialog({ open, onClose }: { open: boolean; onClose(): void }) {
  return (
    <Modal open={open} onClose={onClose} title="Stages and keyboard">
      <h3 className="mt-2 text-base">What each stage settles</h3>
      <dl className="ruled my-2">
        {stageList.map(({ key, name, about }) => (
          <div key={key} className="gap-4 py-1 sm:flex">
            <dt className="w-32 shrink-0 font-semibold">{name}</dt>
            <dd>{about}</dd>
          </div>
        ))}
      </dl>
      <h3 className="text-base">Keys</h3>
      <dl className="ruled my-3">
        {keys.map(([key, what]) => (
          <div key={key} className="flex gap-4 py-1">
            <dt className="figure w-44 shrink-0">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
