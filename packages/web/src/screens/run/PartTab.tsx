import { needTitle } from '@endrel/core/reckoning/need-title';
import { partsAside, partsOnRun } from '@endrel/core/parts/graph';
import { partName } from '@endrel/core/parts/kinds';
import { Suspense } from 'react';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { AddPart } from './AddPart.tsx';
import { LossList } from './LossList.tsx';
import { NetworkExport } from './NetworkExport.tsx';
import { PartBench } from './PartBench.tsx';
import { RunSummary } from './RunSummary.tsx';
import { loadable } from '../../components/loadable.tsx';
import { Claim } from '../../components/Claim.tsx';

const PressureChart = loadable(() => import('../../charts/PressureChart.tsx').then((m) => m.PressureChart));
const PumpChart = loadable(() => import('../../charts/PumpChart.tsx').then((m) => m.PumpChart));
const drawing = <p className="h-64 text-ink-soft">Drawing …</p>;

/** The chosen part with its measurements, beside the pressure along the whole run. */
export function PartTab({ view }: { view: JobView }) {
  const job = useJob();
  const assessment = useAssessment();
  const parts = partsOnRun(job);
  const aside = partsAside(job);
  const part = parts.find((p) => p.id === view.part);
  const solution = assessment?.findings.solution;
  // charts draw what was computed from the job that it was computed from: an edit is ahead of its assessment for a moment
  const findings = assessment?.findings;
  const solved = findings?.job;
  const solvedPart = solved && view.part !== undefined ? solved.parts[view.part] : undefined;
  if (parts.length === 0)
    return (
      <div className="sheet max-w-xl p-5">
        <h2 className="text-lg">There is no run yet</h2>
        <p className="my-2">Choose a layout and Endrel lays it out, or put the parts on one by one, the tank first.</p>
        <div className="flex gap-2">
          <button className="button button-ink" onClick={() => view.goTo('layout')}>
            Choose a layout
          </button>
          <AddPart spot="loose" onAdded={view.selectPart} />
        </div>
      </div>
    );
  return (
    <div className="grid gap-x-7 gap-y-4 xl:grid-cols-[minmax(0,1.15fr)_minmax(22rem,1fr)]">
      <div className="min-w-0">
        {part && solvedPart?.kind === 'pump' && solution ? (
          <section aria-label="Pump curve">
            <h2 className="text-lg">Pump curve and where it works</h2>
            <Suspense fallback={drawing}>
              <PumpChart job={solved!} pump={solvedPart} solution={solution} point={view.point} />
            </Suspense>
          </section>
        ) : null}
        <section aria-label="Pressure along the run">
          <h2 className="text-lg">Pressure along the run</h2>
          {solution && solved ? (
            <>
              <Suspense fallback={drawing}>
                <PressureChart job={solved} solution={solution} point={view.point} />
              </Suspense>
              <LossList job={solved} solution={solution} point={view.point} onPart={view.selectPart} />
              <NetworkExport job={solved} solution={solution} point={view.point} />
            </>
          ) : (
            <div className="sheet my-1 p-5 text-ink-soft">
              <Claim>
                {assessment?.findings.faults.length
                  ? 'No pressure can be computed until the first snag is cured.'
                  : 'The curve appears once these are known:'}
              </Claim>
              <ul className="mt-1 list-disc pl-5">
                {assessment?.findings.needs
                  .filter((n) => n.blocksSolution)
                  .map((need) => (
                    <li key={need.path.join('/')}>
                      <button
                        className="text-ink underline"
                        onClick={() => view.goToField(need.stage, need.path, need.part)}
                      >
                        {needTitle(job, need)}
                      </button>
                    </li>
                  ))}
              </ul>
            </div>
          )}
        </section>
      </div>
      <div className="min-w-0">
        {part ? (
          <PartBench key={part.id} part={part} view={view} />
        ) : (
          assessment && <RunSummary assessment={assessment} view={view} />
        )}
        {aside.length > 0 && (
          <p className="mt-2 text-ink-soft">
            Set aside, with their measurements: {aside.map(partName).join(', ')}. They are offered wherever a part can
            be put in.
          </p>
        )}
      </div>
    </div>
  );
}
