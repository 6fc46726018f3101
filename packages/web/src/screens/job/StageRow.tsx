import { Link } from 'react-router';
import { useNeeds } from '../../session/session-context.tsx';
import { stageList } from './stages.ts';
import type { JobView } from './use-job-view.ts';

/** Stages in the order of the work; each says in words what is still open in it. */
export function StageRow({ view }: { view: JobView }) {
  const { list: needs } = useNeeds();
  return (
    <nav aria-label="Stages" className="no-print flex overflow-x-auto border-b border-ink">
      {stageList.map(({ key, name }) => {
        const open = needs.filter((n) => n.stage === key).length;
        const chosen = view.stage === key;
        return (
          <Link
            key={key}
            to={`/jobs/${view.jobId}/${key}${withoutTab(window.location.search)}`}
            aria-current={chosen ? 'page' : undefined}
            className={`flex min-h-9 max-sm:min-h-11 items-center gap-2 border-r border-hair px-4 whitespace-nowrap ${chosen ? 'bg-ink text-sheet' : 'hover:bg-lit'}`}
          >
            <span className="font-semibold" style={{ fontStretch: '84%' }}>
              {name}
            </span>
            {open > 0 && (
              <span className={`text-[0.85rem] ${chosen ? '' : 'text-ink-soft'}`}>
                {key === 'layout' ? 'to choose' : `${open} to measure`}
              </span>
            )}
          </Link>
        );
      })}
      {needs[0] && (
        <button
          className="ml-auto px-4 text-[0.9rem] whitespace-nowrap underline underline-offset-4"
          onClick={() => view.goToField(needs[0]!.stage, needs[0]!.path, needs[0]!.part)}
          title="Take the next missing measurement (m)"
        >
          Next: {needs[0].title}
        </button>
      )}
    </nav>
  );
}

/** The chosen part and operating point go along to another stage, the open tab does not. */
function withoutTab(search: string): string {
  const kept = new URLSearchParams(search);
  kept.delete('tab');
  const text = kept.toString();
  return text && `?${text}`;
}
