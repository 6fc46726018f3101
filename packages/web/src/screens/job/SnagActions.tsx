import { useState } from 'react';
import type { Preview } from '@endrel/core/assessment/assess';
import type { Snag } from '@endrel/core/checks/snag';
import { EffectsList, usePreview } from '../../components/EffectsList.tsx';
import { useSession } from '../../session/session-context.tsx';
import { sayWords } from '@endrel/core/units/words';
import { useTyped } from '../../session/use-typed.ts';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** What can be done about a snag: its cure with what that changes besides, its place, and living with it for a reason. */
export function SnagActions({ snag, onShow }: { snag: Snag; onShow(): void }) {
  const session = useSession();
  const { say } = useDisplayUnits();
  const path = ['overrules', snag.id, 'reason'];
  const typed = useTyped(path);
  const [reasoning, setReasoning] = useState(typed.before !== undefined);
  const [reason, setReason] = useState(typed.before?.text ?? '');
  const preview = usePreview(snag.act);
  return (
    <>
      <div className="flex flex-wrap gap-1.5">
        {snag.act && (
          <button className="button button-ink" onClick={() => session.act(snag.act!)}>
            {snag.actLabel && sayWords(snag.actLabel, say)}
            {bringsUp(preview)}
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
      {preview && <EffectsList preview={preview} without={snag.what} />}
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

/** A cure that costs another snag says so before it is pressed. */
function bringsUp(preview: Preview | undefined): string {
  if (!preview || preview.caused.length === 0) return '';
  return `, but brings up ${preview.caused.length === 1 ? 'another snag' : `${preview.caused.length} others`}`;
}
