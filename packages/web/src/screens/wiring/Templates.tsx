import { useState } from 'react';
import {
  ADDING,
  harnessTemplates,
  type HarnessTemplate,
  type HarnessTemplateKey,
} from '@endrel/core/harness-templates/index';
import { ActButton } from '../../components/ActButton.tsx';
import { useJob } from '../../session/session-context.tsx';

/** Usual circuits, each laid out for the pumps on the run with one press; those that fit this run first. */
export function Templates({ isOpen }: { isOpen: boolean }) {
  const isDrawn = (useJob().wiring?.devices?.length ?? 0) > 0;
  const [open, setOpen] = useState(isOpen);
  return (
    <details open={open} className="mt-3" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="min-h-[26px] py-1 text-lg font-semibold">
        {isDrawn ? 'Lay it out anew, or add to it' : 'Lay out a usual circuit'}
      </summary>
      {/* each button tries its act beforehand: while nobody looks at them, no edit waits for that */}
      {open && <TemplateList isDrawn={isDrawn} />}
    </details>
  );
}

function TemplateList({ isDrawn }: { isDrawn: boolean }) {
  const job = useJob();
  const all = Object.entries(harnessTemplates) as [HarnessTemplateKey, HarnessTemplate][];
  const told = all
    .filter(([key]) => isDrawn || !ADDING.has(key))
    .map(([key, template]) => ({ key, template, unfit: template.unfit(job) }))
    .sort((a, b) => Number(a.unfit !== undefined) - Number(b.unfit !== undefined));
  return (
    <>
      {isDrawn && <p className="label">A new layout takes the place of what is drawn; undo brings that back.</p>}
      <ul className="ruled max-w-[58rem]">
        {told.map(({ key, template, unfit }) => (
          <li key={key} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
            <div className="min-w-[16rem] flex-1">
              <span className="font-semibold">{template.name}</span>
              <span className="block text-[0.92rem] text-ink-soft">{unfit ?? template.hint}</span>
            </div>
            {unfit === undefined && (
              <ActButton
                act={{ act: 'set', path: ['wiring'], value: template.build(job, job.wiring ?? {}) }}
                label={`${ADDING.has(key) ? 'Add' : 'Lay out'}: ${template.name}`}
              >
                {ADDING.has(key) ? 'Add it' : 'Lay it out'}
              </ActButton>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
