import { useState } from 'react';
import { labelsOf, type Label } from '@endrel/core/cards/labels';
import { printLabels } from '../../api/print.ts';
import { download } from '../../components/download.ts';
import { useAssessment, useJob } from '../../session/session-context.tsx';

const groups = { tags: 'Tags for feed, return and vent', joint: 'Port labels with joint numbers' } as const;
const groupOf = (label: Label): keyof typeof groups => (label.kind === 'joint' ? 'joint' : 'tags');

/** Tags and port labels to print on a sheet and stick on, before anything can be crossed. */
export function LabelsTab() {
  const job = useJob();
  const joints = useAssessment()?.findings.joints ?? [];
  const [paper, setPaper] = useState<'a4' | 'letter'>('a4');
  const [kinds, setKinds] = useState<Record<keyof typeof groups, boolean>>({ tags: true, joint: true });
  const [state, setState] = useState<{ working?: boolean; fault?: string }>({});
  const labels = labelsOf(job, joints).filter((l) => kinds[groupOf(l)]);
  const print = async () => {
    setState({ working: true });
    try {
      const pdf = await printLabels({ labels, paper });
      download(`labels-${paper}.pdf`, 'application/pdf', pdf);
      setState({});
    } catch (error) {
      setState({ fault: (error as Error).message });
    }
  };
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        {(Object.keys(groups) as (keyof typeof groups)[]).map((key) => (
          <label key={key} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={kinds[key]}
              onChange={(e) => setKinds({ ...kinds, [key]: e.target.checked })}
            />
            {groups[key]}
          </label>
        ))}
        <label className="flex items-center gap-2">
          Sheet
          <select className="input w-auto!" value={paper} onChange={(e) => setPaper(e.target.value as 'a4' | 'letter')}>
            <option value="a4">A4, 24 labels</option>
            <option value="letter">Letter, 21 labels</option>
          </select>
        </label>
        <button
          className="button button-ink"
          disabled={labels.length === 0 || state.working}
          onClick={() => void print()}
        >
          {state.working ? 'Making the sheet …' : `${labels.length} labels as PDF`}
        </button>
      </div>
      {state.fault && (
        <p role="alert" className="mb-2 text-stop">
          {state.fault}
        </p>
      )}
      {labels.length === 0 ? (
        <p className="text-ink-soft">No labels: the run has no lengths or joints yet, or both kinds are left out.</p>
      ) : (
        <ul
          className="grid max-w-[60rem] grid-cols-2 border-l border-t border-hair-strong bg-sheet md:grid-cols-3"
          aria-label="The labels as they print"
        >
          {labels.map((label, i) => (
            <li key={i} className="min-h-[5.4rem] border-b border-r border-hair-strong px-3 py-2">
              <p className={`text-xl font-bold ${label.kind === 'joint' ? 'figure' : 'tracking-wider'}`}>
                {label.head}
              </p>
              <p className="text-[0.92rem] leading-tight">{label.text}</p>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
