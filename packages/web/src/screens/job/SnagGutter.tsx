import { ChevronDown, ChevronUp } from 'lucide-react';
import { memo, useState, type ReactNode } from 'react';
import { useMedia } from '../../components/use-media.ts';
import type { Cured } from '@endrel/core/assessment/cured';
import type { Snag } from '@endrel/core/checks/snag';
import { GradeMark } from '../../drawing/GradeMark.tsx';
import type { Need } from '@endrel/core/reckoning/needs';
import { useAssessment, useNeeds, useReckoning } from '../../session/session-context.tsx';
import { sayWords } from '@endrel/core/units/words';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { SnagActions } from './SnagActions.tsx';
import { useCured } from './use-cured.ts';
import type { JobView } from './use-job-view.ts';

/** What is wrong or doubtful, worst first: what belongs to the stage and the part at hand, then the rest of the job in a line each. */
export const SnagGutter = memo(function SnagGutter({ view }: { view: JobView }) {
  const assessment = useAssessment();
  const cured = useCured(assessment);
  const isNarrow = useMedia('(max-width: 1023px)');
  const [opened, setOpened] = useState<string | null>();
  const snags = assessment?.snags ?? [];
  const live = snags.filter((s) => !s.overruled);
  const overruled = snags.filter((s) => s.overruled);
  const ofPart = (s: Snag) => view.part !== undefined && s.part === view.part;
  const isHere = (s: Snag) => ofPart(s) || s.stage === view.stage;
  const here = [...live.filter(ofPart), ...live.filter((s) => isHere(s) && !ofPart(s))];
  const elsewhere = live.filter((s) => !isHere(s));
  // null: the person closed them all; undefined: the worst here is open
  const openId = opened === null ? undefined : (snags.find((s) => s.id === opened)?.id ?? here[0]?.id);
  const item = (snag: Snag, isBrief = false) => (
    <SnagItem key={snag.id} snag={snag} open={snag.id === openId} isBrief={isBrief} onToggle={setOpened} view={view} />
  );
  const gone = cured.filter(({ snag }) => !live.some((s) => s.id === snag.id));
  const list = (
    <>
      <Unjudged hasSnags={live.length > 0} />
      {(here.length > 0 || gone.some(({ snag }) => isHere(snag))) && (
        <Group title="Here">
          {withCured(
            here,
            gone.filter(({ snag }) => isHere(snag)),
            (s) => item(s),
          )}
        </Group>
      )}
      {(elsewhere.length > 0 || gone.some(({ snag }) => !isHere(snag))) && (
        <Group title="Elsewhere in the job">
          {withCured(
            elsewhere,
            gone.filter(({ snag }) => !isHere(snag)),
            (s) => item(s, true),
          )}
        </Group>
      )}
      {overruled.length > 0 && (
        <details className="border-t border-hair">
          <summary className="px-4 py-2 text-ink-soft">{overruled.length} overruled</summary>
          <ul className="ruled">{overruled.map((s) => item(s, true))}</ul>
        </details>
      )}
    </>
  );
  if (isNarrow)
    return (
      <SnagBar snags={live} worst={live[0]}>
        {list}
      </SnagBar>
    );
  return (
    <aside
      aria-label="Snags"
      tabIndex={-1}
      className="no-print relative w-[21rem] shrink-0 overflow-auto border-l border-ink bg-sheet outline-none"
    >
      <h2 className="sticky top-0 z-10 border-b border-hair bg-sheet px-4 py-1.5 text-base" aria-live="polite">
        <Summary snags={live} />
      </h2>
      {list}
    </aside>
  );
});

/** On a telephone: a bar at the bottom with how many there are and the worst, which opens over the page. */
function SnagBar({ snags, worst, children }: { snags: readonly Snag[]; worst: Snag | undefined; children: ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  const reckoning = useReckoning();
  const isPartly = reckoning.state === 'judged' && !reckoning.assessment.findings.solution;
  return (
    <aside
      aria-label="Snags"
      tabIndex={-1}
      className="no-print fixed inset-x-0 bottom-0 z-30 flex max-h-[80dvh] flex-col border-t-2 border-ink bg-sheet outline-none"
      onKeyDown={(e) => {
        if (e.key !== 'Escape' || !isOpen) return;
        e.stopPropagation();
        setOpen(false);
      }}
    >
      <h2 className="shrink-0 text-base">
        <button
          className="flex min-h-12 w-full items-center gap-2 px-4 text-left"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
        >
          {worst && <GradeMark grade={worst.grade} />}
          <span className="min-w-0 flex-1 leading-tight">
            <Summary snags={snags} />
            {worst && !isOpen && isPartly && (
              <span className="block truncate text-[0.85rem] font-normal text-fix">
                pressure, flow and heat not judged
              </span>
            )}
            {worst && !isOpen && (
              <span className="block truncate text-[0.85rem] font-normal text-ink-soft">{worst.what}</span>
            )}
          </span>
          {isOpen ? <ChevronDown size={18} aria-hidden /> : <ChevronUp size={18} aria-hidden />}
        </button>
      </h2>
      {isOpen && <div className="relative min-h-0 overflow-auto border-t border-hair">{children}</div>}
    </aside>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h3 className="label border-b border-hair px-4 pt-1.5 pb-0.5">{title}</h3>
      <ul className="ruled border-b border-hair">{children}</ul>
    </section>
  );
}

/** Those that were cured stand where they stood until they fade. */
function withCured(live: readonly Snag[], gone: readonly Cured[], item: (snag: Snag) => ReactNode): ReactNode[] {
  const ghosts = (behind: string | undefined) =>
    gone.filter((c) => c.behind === behind).map((c) => <CuredItem key={`cured ${c.snag.id}`} cured={c} />);
  const ids = new Set(live.map((s) => s.id));
  return [
    ...gone
      .filter((c) => c.behind === undefined || !ids.has(c.behind))
      .map((c) => <CuredItem key={`cured ${c.snag.id}`} cured={c} />),
    ...live.flatMap((s) => [item(s), ...ghosts(s.id)]),
  ];
}

function CuredItem({ cured: { snag, moved } }: { cured: Cured }) {
  const units = useDisplayUnits();
  return (
    <li
      data-cured={snag.id}
      tabIndex={-1}
      // what was pressed to cure it is gone: keys go on from here
      ref={(node) => {
        if (node && document.activeElement === document.body) node.focus({ preventScroll: true });
      }}
      className="px-4 py-1.5 text-[0.88rem] leading-snug text-ink-soft outline-none"
    >
      <span className="font-semibold text-good">Cured: </span>
      <s>{snag.what}</s>
      {moved.map(({ label, before, after }) => (
        <span key={label} className="block">
          {label} <span className="figure">{units.figure(before)}</span> →{' '}
          <span className="figure text-ink">{units.figure(after)}</span>
        </span>
      ))}
    </li>
  );
}

/** What the gutter says above its list: how many there are, or why nothing is said. */
function Summary({ snags }: { snags: readonly Snag[] }) {
  const reckoning = useReckoning();
  const { list: needs } = useNeeds();
  if (reckoning.state === 'reckoning') return <>Reckoning …</>;
  if (reckoning.state === 'failed') return <>Not judged: Endrel cannot reckon here</>;
  if (snags.length > 0) return <>{countSnags(snags)}</>;
  const { findings } = reckoning.assessment;
  if (findings.solution && needs.length === 0) return <>No snags found</>;
  return <>Not judged yet: {unjudged(findings.solution !== undefined, needs)}</>;
}

/** What of the job cannot be judged while there are snags, or why there are none. */
function Unjudged({ hasSnags }: { hasSnags: boolean }) {
  const reckoning = useReckoning();
  const { list: needs } = useNeeds();
  if (reckoning.state === 'failed')
    return (
      <div role="alert" className="border-b border-hair px-4 py-2 text-[0.93rem]">
        <p>
          The part of Endrel that reckons did not start or broke off: {reckoning.why}. What you enter is kept and saved
          all the same.
        </p>
        <button className="button mt-1" onClick={reckoning.again}>
          Reckon again
        </button>
      </div>
    );
  if (reckoning.state === 'kept')
    return <p className="label border-b border-hair px-4 py-1">As of the last visit; being reckoned anew.</p>;
  if (!hasSnags || reckoning.state === 'reckoning' || reckoning.assessment.findings.solution) return null;
  return (
    <p className="label border-b border-hair px-4 py-1">
      Pressure, flow and heat are not judged: {unjudged(false, needs)}.
    </p>
  );
}

function unjudged(isSolved: boolean, needs: readonly Need[]): string {
  const measured = needs.filter((n) => n.isMeasured).length;
  const chosen = needs.length - measured;
  const open = [measured > 0 && `${measured} to measure`, chosen > 0 && `${chosen} to choose`]
    .filter(Boolean)
    .join(', ');
  return open || (isSolved ? '' : 'the run does not solve');
}

function countSnags(snags: readonly Snag[]): string {
  const count = (grade: Snag['grade'], word: string) => {
    const n = snags.filter((s) => s.grade === grade).length;
    return n > 0 ? `${n} ${word}` : '';
  };
  return [count('stop', 'to stop for'), count('fix', 'to fix'), count('note', 'to note')].filter(Boolean).join(', ');
}

interface SnagItemProps {
  readonly snag: Snag;
  readonly open: boolean;
  /** One line until it is opened. */
  readonly isBrief: boolean;
  /** Told which snag is open now: none with `null`. */
  onToggle(opened: string | null): void;
  readonly view: JobView;
}
const SnagItem = memo(function SnagItem({ snag, open, isBrief, onToggle, view }: SnagItemProps) {
  const units = useDisplayUnits();
  const show = () => {
    if (snag.path) view.goToField(snag.stage, snag.path, snag.part);
    else if (snag.part) view.selectPart(snag.part);
    else view.goTo(snag.stage);
  };
  const isFolded = isBrief && !open;
  return (
    <li data-snag={snag.id}>
      <button
        className={`flex w-full gap-2 px-4 text-left hover:bg-lit ${isFolded ? 'py-1' : 'pt-2 pb-1'}`}
        aria-expanded={open}
        onClick={() => onToggle(open ? null : snag.id)}
      >
        <GradeMark grade={snag.grade} />
        <span className={isFolded ? 'truncate text-[0.9rem]' : 'leading-snug font-semibold'}>{snag.what}</span>
      </button>
      {!isFolded && (
        <div className="px-4 pb-2 pl-[2.6rem] text-[0.93rem] leading-snug">
          {snag.figure && (
            <p>
              <span className="figure">{units.figure(snag.figure)}</span>{' '}
              <span className="label">{snag.figure.label}</span>
              {snag.limit && (
                <>
                  <span className="text-ink-soft"> / </span>
                  <span className="figure">{units.figure(snag.limit)}</span>{' '}
                  <span className="label">{snag.limit.label}</span>
                </>
              )}
            </p>
          )}
          {snag.hides && <p className="text-ink-soft">{snag.hides}</p>}
          {open && (
            <div className="mt-1 space-y-1.5">
              <p>{sayWords(snag.why, units.say)}</p>
              <p>
                <span className="font-semibold">Cure:</span> {sayWords(snag.cure, units.say)}
              </p>
              <p className="label">Source: {snag.source}.</p>
              {snag.overruled && <p>Overruled: “{snag.overruled}”</p>}
              <SnagActions snag={snag} onShow={show} />
            </div>
          )}
        </div>
      )}
    </li>
  );
});
