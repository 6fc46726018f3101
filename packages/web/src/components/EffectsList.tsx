import { useEffect, useState } from 'react';
import type { Preview } from '@endrel/core/assessment/assess';
import type { Act } from '@endrel/core/acts/act';
import { long } from '../calc/calculator.ts';
import { useJob } from '../session/session-context.tsx';
import { useDisplayUnits } from '../units/display-units.tsx';

const QUIET = 250; // ms without an edit

/** What an act would change, computed in the worker before it is done. */
export function usePreview(act: Act | undefined): Preview | undefined {
  const job = useJob();
  const [preview, setPreview] = useState<Preview>();
  useEffect(() => {
    if (!act) return;
    const control = new AbortController();
    // while somebody types, the edit itself comes first
    const timer = setTimeout(() => {
      void long(control.signal)
        .previewAct(job, act)
        .then(setPreview)
        .catch((fault: unknown) => control.signal.aborted || reportError(fault));
    }, QUIET);
    return () => {
      control.abort();
      clearTimeout(timer);
    };
  }, [job, act]);
  return act && preview;
}

/** What moves elsewhere in the job: figures, snags cured and brought up. @param without - a snag that is spoken of anyway. */
export function EffectsList({ preview, without }: { preview: Preview; without?: string }) {
  const units = useDisplayUnits();
  const moved = preview.moved.filter((m) => units.figure(m.before) !== units.figure(m.after));
  const cured = preview.cured.filter((what) => what !== without);
  const nothing = moved.length + cured.length + preview.caused.length === 0;
  return (
    <ul className="border-l-2 border-hair-strong pl-2 text-[0.86rem] text-ink-soft">
      {moved.map(({ label, before, after }) => (
        <li key={label}>
          {label} {units.figure(before)} → {units.figure(after)}
        </li>
      ))}
      {cured.map((what) => (
        <li key={what}>
          {without ? 'Also cures' : 'Cures'}: {what}
        </li>
      ))}
      {preview.caused.map((what) => (
        <li key={what} className="text-fix">
          Brings up: {what}
        </li>
      ))}
      {nothing && preview.isSolved && <li>Changes nothing else.</li>}
      {!preview.isSolved && <li>What it does to pressures and flows is not known: the run is not solved yet.</li>}
    </ul>
  );
}
