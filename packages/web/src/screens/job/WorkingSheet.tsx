import { needTitle } from '@endrel/core/reckoning/need-title';
import { Dialog } from 'radix-ui';
import { workingsOf } from '@endrel/core/working/workings';
import type { Working } from '@endrel/core/working/working';
import { useReturnFocus } from '../../components/return-focus.ts';
import { useAssessment } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { stageOfField } from '@endrel/core/job/roots';
import type { JobView } from './use-job-view.ts';

interface WorkingSheetProps {
  readonly openKey: string | undefined;
  readonly view: JobView;
  onOpen(key: string): void;
  onClose(): void;
}

/** Formula, values, units, assumptions and sources of one number; a fitter must be able to argue with it. */
export function WorkingSheet({ openKey, view, onOpen, onClose }: WorkingSheetProps) {
  const assessment = useAssessment();
  const focus = useReturnFocus();
  const workings = openKey !== undefined && assessment ? workingsOf(assessment.findings) : [];
  const working = workings.find((w) => w.key === openKey);
  return (
    <Dialog.Root open={openKey !== undefined} onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog-sheet" {...focus} aria-describedby={undefined}>
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl">{working?.title ?? 'Working'}</Dialog.Title>
            <Dialog.Close className="button">Close</Dialog.Close>
          </div>
          {working ? (
            <WorkingBody working={working} view={view} onClose={onClose} />
          ) : (
            <p className="py-4">
              There is nothing to work out yet:{' '}
              {assessment?.findings.needs[0]
                ? `it needs ${needTitle(assessment.findings.job, assessment.findings.needs[0])}.`
                : 'see the snags.'}
            </p>
          )}
          {workings.length > 1 && (
            <p className="mt-6 flex flex-wrap gap-x-3 border-t border-hair pt-2 text-[0.9rem]">
              <span className="text-ink-soft">Other workings:</span>
              {workings
                .filter((w) => w.key !== openKey)
                .map((w) => (
                  <button key={w.key} className="underline" onClick={() => onOpen(w.key)}>
                    {w.title}
                  </button>
                ))}
            </p>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function WorkingBody({ working, view, onClose }: { working: Working; view: JobView; onClose(): void }) {
  const units = useDisplayUnits();
  return (
    <>
      <p className="figure my-2 text-4xl">{units.figure(working.result)}</p>
      <p className="border-l-2 border-ink pl-3 font-medium">{working.formula}</p>
      <table className="mt-4 w-full text-left text-[0.95rem]">
        <caption className="sr-only">Values in the formula</caption>
        <thead className="label">
          <tr>
            <th className="font-normal">Symbol</th>
            <th className="font-normal">What</th>
            <th className="text-right font-normal">Value</th>
            <th className="pl-3 font-normal">Source</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {working.terms.map((term) => (
            <tr key={term.symbol} className="align-baseline">
              <td className="py-1 pr-2 whitespace-nowrap italic">{term.symbol}</td>
              <td className="pr-2">{term.name}</td>
              <td className="figure text-right whitespace-nowrap">{units.figure(term.figure)}</td>
              <td className="pl-3 text-[0.84rem] text-ink-soft">
                {term.source}
                {term.path && (
                  <button
                    className="ml-1.5 text-ink underline"
                    onClick={() => {
                      onClose();
                      view.goToField(stageOfField(term.path!), term.path!);
                    }}
                  >
                    change
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {working.parts.length > 0 && (
        <table className="mt-5 w-full text-left text-[0.95rem]">
          <caption className="label text-left">Where it is gained and lost, from the fuel surface on</caption>
          <thead className="label">
            <tr>
              <th className="font-normal">Part</th>
              <th className="text-right font-normal">Rise or loss</th>
              <th className="text-right font-normal">Pressure after it</th>
            </tr>
          </thead>
          <tbody className="ruled">
            {working.parts.map((part, i) => {
              const reached = working.parts.slice(0, i + 1).reduce((sum, p) => sum + p.figure.si, 0);
              return (
                <tr key={i}>
                  <td className="py-1">{part.name}</td>
                  <td className="figure text-right whitespace-nowrap">
                    {part.figure.si > 0 ? '+' : ''}
                    {units.figure(part.figure)}
                  </td>
                  <td className="figure text-right whitespace-nowrap">{units.show('pressure', reached)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {working.remarks.map((remark) => (
        <p key={remark} className="mt-2 text-[0.93rem]">
          {remark}
        </p>
      ))}
      <p className="label mt-3">Source: {working.source}.</p>
    </>
  );
}
