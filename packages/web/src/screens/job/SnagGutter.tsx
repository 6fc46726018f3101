import { memo, useState } from 'react';
import type { Snag } from '@endrel/core/checks/snag';
import { GradeMark } from '../../drawing/GradeMark.tsx';
import { useAssessment, useSession } from '../../session/session-context.tsx';
import { useTyped } from '../../session/use-typed.ts';
import { EffectsList, usePreview } from '../../components/EffectsList.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from './use-job-view.ts';

/** What is wrong or doubtful, worst first. */
export function SnagGutter({ view }: { view: JobView }) {
  const assessment = useAssessment();
  const [opened, setOpened] = useState<string | null>();
  const snags = assessment?.snags ?? [];
  const live = snags.filter((s) => !s.overruled);
  const overruled = snags.filter((s) => s.overruled);
  // null: the person closed them all; undefined: the worst is open
  const openId =
    opened === null
      ? undefined
      : (live.find((s) => s.id === opened)?.id ?? overruled.find((s) => s.id === opened)?.id ?? live[0]?.id);
  const list = (items: readonly Snag[]) =>
    items.map((snag) => (
      <SnagItem key={snag.id} snag={snag} open={snag.id === openId} onToggle={setOpened} view={view} />
    ));
  return (
    <aside
      aria-label="Snags"
      className="no-print w-full shrink-0 overflow-auto border-t border-ink bg-sheet lg:w-[21rem] lg:border-t-0 lg:border-l"
    >
      <h2 className="border-b border-hair px-4 py-1.5 text-base">{summary(live)}</h2>
      <ul className="ruled">{list(live)}</ul>
      {overruled.length > 0 && (
        <details className="border-t border-hair">
          <summary className="px-4 py-2 text-ink-soft">{overruled.length} overruled</summary>
          <ul className="ruled">{list(overruled)}</ul>
        </details>
      )}
    </aside>
  );
}

function summary(snags: readonly Snag[]): string {
  if (snags.length === 0) return 'No snags found';
  const count = (grade: Snag['grade'], word: string) => {
    const n = snags.filter((s) => s.grade === grade).length;
    return n > 0 ? `${n} ${word}` : '';
  };
  return [count('stop', 'to stop for'), count('fix', 'to fix'), count('note', 'to note')].filter(Boolean).join(', ');
}

interface SnagItemProps {
  readonly snag: Snag;
  readonly open: boolean;
  /** Told which snag is open now: none with `null`. */
  onToggle(opened: string | null): void;
  readonly view: JobView;
}
const SnagItem = memo(function SnagItem({ snag, open, onToggle, view }: SnagItemProps) {
  const units = useDisplayUnits();
  const show = () => {
    if (snag.path) view.goToField(snag.stage, snag.path, snag.part);
    else if (snag.part) view.selectPart(snag.part);
    else view.goTo(snag.stage);
  };
  return (
    <li data-snag={snag.id}>
      <button
        className="flex w-full gap-2 px-4 pt-2 pb-1 text-left hover:bg-lit"
        aria-expanded={open}
        onClick={() => onToggle(open ? null : snag.id)}
      >
        <GradeMark grade={snag.grade} />
        <span className="leading-snug font-semibold">{snag.what}</span>
      </button>
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
        {open && (
          <div className="mt-1 space-y-1.5">
            <p>{snag.why}</p>
            <p>
              <span className="font-semibold">Cure:</span> {snag.cure}
            </p>
            <p className="label">Source: {snag.source}.</p>
            {snag.overruled && <p>Overruled: “{snag.overruled}”</p>}
            <Actions snag={snag} onShow={show} />
          </div>
        )}
      </div>
    </li>
  );
});

function Actions({ snag, onShow }: { snag: Snag; onShow(): void }) {
  const session = useSession();
  const path = ['overrules', snag.id, 'reason'];
  const typed = useTyped(path);
  const [reasoning, setReasoning] = useState(typed.before !== undefined);
  const [reason, setReason] = useState(typed.before?.text ?? '');
  return (
    <>
      <div className="flex flex-wrap gap-1.5">
        {snag.act && (
          <button className="button button-ink" onClick={() => session.act(snag.act!)}>
            {snag.actLabel}
          </button>
        )}
        <button className="button" onClick={onShow}>
          Show it
        </button>
        {snag.grade !== 'stop' && !snag.overruled && (
          <button className="button" onClick={() => setReasoning(!reasoning)} aria-expanded={reasoning}>
            Live with it …
          </button>
        )}
        {snag.overruled && (
          <button className="button" onClick={() => session.act({ act: 'withdrawOverrule', snag: snag.id })}>
            Take it up again
          </button>
        )}
      </div>
      {snag.act && <CurePreview snag={snag} />}
      {reasoning && (
        <form
          className="space-y-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            session.act({ act: 'overruleSnag', snag: snag.id, reason: reason.trim(), at: new Date().toISOString() });
            typed.keep(undefined, '');
          }}
        >
          <label className="block">
            <span className="label">Your reason, kept in the record</span>
            <textarea
              className="input"
              rows={2}
              maxLength={1000}
              value={reason}
              onChange={(e) => {
                setReason(e.target.value);
                typed.keep(e.target.value || undefined, '');
              }}
            />
          </label>
          <button className="button" disabled={reason.trim().length < 3}>
            Overrule with this reason
          </button>
        </form>
      )}
    </>
  );
}

/** What the cure would change besides, computed before it is pressed. */
function CurePreview({ snag }: { snag: Snag }) {
  const preview = usePreview(snag.act);
  return preview ? <EffectsList preview={preview} without={snag.what} /> : null;
}
