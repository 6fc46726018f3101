import { needTitle } from '@endrel/core/reckoning/need-title';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { Need } from '@endrel/core/reckoning/needs';
import type { Stage } from '@endrel/core/job/stage';
import { useNeeds, useJob } from '../../session/session-context.tsx';
import { stageList } from './stages.ts';
import type { JobView } from './use-job-view.ts';

/** Stages in the order of the work; each says in words what is still open in it. */
export function StageRow({ view }: { view: JobView }) {
  const { list: needs } = useNeeds();
  const row = useRef<HTMLElement>(null);
  // on a narrow page the chosen stage is brought into sight
  useEffect(() => {
    const chosen = row.current?.querySelector<HTMLElement>('[aria-current="page"]');
    const list = row.current;
    if (chosen && list)
      list.scrollTo({ left: chosen.offsetLeft - list.offsetLeft - (list.clientWidth - chosen.offsetWidth) / 2 });
  }, [view.stage]);
  const next = needs[0];
  const job = useJob();
  return (
    <div className="no-print flex border-b border-ink">
      <nav aria-label="Stages" ref={row} className="flex min-w-0 flex-1 overflow-x-auto">
        {stageList.map(({ key, name }) => (
          <StageLink
            key={`${view.jobId} ${key}`}
            to={`/jobs/${view.jobId}/${key}${withoutTab(window.location.search)}`}
            isChosen={view.stage === key}
            at={view.stage}
            name={name}
            open={openWords(needs, key)}
          />
        ))}
      </nav>
      {next && (
        <button
          className="min-w-11 shrink-0 border-l border-hair px-3.5 text-[0.9rem] whitespace-nowrap"
          onClick={() => view.goToField(next.stage, next.path, next.part)}
          title="Take the next missing measurement (m)"
        >
          Next<span className="underline underline-offset-4 max-lg:sr-only">: {needTitle(job, next)}</span>
        </button>
      )}
    </div>
  );
}

interface StageLinkProps {
  readonly to: string;
  readonly isChosen: boolean;
  /** The stage that is open. */
  readonly at: Stage;
  readonly name: string;
  readonly open: string;
}

/**
 * It keeps the room that it took since its stage was opened: as the last measurement is typed, the next stage does not slide away from
 * under the hand. On another stage it takes what it needs again, so that the row does not outgrow the page.
 */
function StageLink({ to, isChosen, at, name, open }: StageLinkProps) {
  const link = useRef<HTMLAnchorElement>(null);
  const keptAt = useRef(at);
  useLayoutEffect(() => {
    const { current: box } = link;
    if (!box) return;
    if (keptAt.current !== at) box.style.minWidth = '';
    keptAt.current = at;
    box.style.minWidth = `${box.offsetWidth}px`;
  }, [open, at]);
  return (
    <Link
      ref={link}
      to={to}
      aria-current={isChosen ? 'page' : undefined}
      className={`flex min-h-9 shrink-0 items-center gap-2 border-r border-hair px-3.5 whitespace-nowrap ${isChosen ? 'bg-ink text-sheet' : 'hover:bg-lit'}`}
    >
      <span className="font-semibold" style={{ fontStretch: '84%' }}>
        {name}
      </span>
      {open && <span className={`text-[0.85rem] ${isChosen ? '' : 'text-ink-soft'}`}>{open}</span>}
    </Link>
  );
}

/** "3 to measure, 1 to choose" */
function openWords(needs: readonly Need[], stage: Stage): string {
  const here = needs.filter((n) => n.stage === stage);
  const measured = here.filter((n) => n.isMeasured).length;
  const chosen = here.length - measured;
  return [
    measured > 0 && `${measured} to measure`,
    chosen > 0 && (stage === 'layout' && chosen === 1 ? 'to choose' : `${chosen} to choose`),
  ]
    .filter(Boolean)
    .join(', ');
}

/** The chosen part and operating point go along to another stage, the open tab does not. */
function withoutTab(search: string): string {
  const kept = new URLSearchParams(search);
  kept.delete('tab');
  const text = kept.toString();
  return text && `?${text}`;
}
