import { needTitle } from '@endrel/core/reckoning/need-title';
import type { Assessment } from '@endrel/core/assessment/assess';
import { partsOnRun } from '@endrel/core/parts/graph';
import { kindOf } from '@endrel/core/parts/kinds';
import { shortPointName } from '@endrel/core/run/operating-point';
import { resultsOf, type RunSolution } from '@endrel/core/run/solve-run';
import { sayWorst } from '@endrel/core/run/worst-suction';
import { AsTable } from '../../components/AsTable.tsx';
import { LineSheet } from './PartSheets.tsx';
import { Reading } from '../../components/Reading.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { AddPart } from './AddPart.tsx';

/** The run as a whole, while no part of it is chosen: what it brings at each point, what it is made of, what is still open. */
export function RunSummary({ assessment, view }: { assessment: Assessment; view: JobView }) {
  const { findings } = assessment;
  const { asLeft: job, solution } = findings;
  const units = useDisplayUnits();
  const parts = partsOnRun(job);
  const joints = Object.keys(job.joints).length;
  // of what has a length to give: one that is not measured yet makes the sum unknown
  const lengthOf = (kind: 'hose' | 'hardLine'): number | undefined => {
    const of = parts.filter((p) => p.kind === kind);
    return of.every((p) => (p as { length?: unknown }).length !== undefined)
      ? of.reduce((sum, p) => sum + (kindOf(p).length?.(p) ?? 0), 0)
      : undefined;
  };
  const lines = (['hose', 'hardLine'] as const)
    .filter((kind) => parts.some((p) => p.kind === kind))
    .map((kind) => ({ name: kind === 'hose' ? 'Hose' : 'Hard line', length: lengthOf(kind) }));
  const needs = findings.needs.filter((n) => n.stage === 'run');
  return (
    <section aria-label="The whole run">
      <h2 className="border-b border-ink pb-1 text-lg">The whole run</h2>
      {solution && <PointTable solution={solution} job={job} point={view.point} />}
      <dl className="readings">
        <Reading name="Parts, joints" value={`${parts.length}, ${joints}`} />
        {lines.map(({ name, length }) => (
          <Reading key={name} name={name} value={length === undefined ? 'not all measured' : units.showLine(length)} />
        ))}
        {solution?.prime && (
          <Reading
            name="First prime, dry"
            value={units.show('time', solution.prime.time)}
            note={`${units.show('volume', solution.prime.volume)} to fill`}
          />
        )}
        {solution?.prime && (
          <Reading
            name="Prime after standing"
            value={solution.prime.isHeld ? 'line stays full' : units.show('time', solution.prime.drainedTime)}
            note={
              solution.prime.isHeld
                ? 'by a check valve'
                : `${units.show('volume', solution.prime.drainedVolume)} runs back`
            }
          />
        )}
        {solution?.worstSuction && (
          <Reading
            name="Least in hand at a pump"
            value={units.show('head', solution.worstSuction.result.suctionMargin)}
            note={sayWorst(solution.worstSuction)}
          />
        )}
        {solution && (
          <Reading
            name="Dead head"
            value={units.show('pressure', solution.deadHead.pressure)}
            note="line blocked behind the pump, charging voltage"
          />
        )}
        {findings.drive && (
          <Reading name="Tank after the drive" value={units.show('temperature', findings.drive.steps.at(-1)!.tank)} />
        )}
      </dl>
      {needs.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">Still open on it</h3>
          <ul className="ruled">
            {needs.map((need) => (
              <li key={need.path.join('/')}>
                <button
                  className="min-h-[24px] py-0.5 underline underline-offset-3"
                  onClick={() => view.goToField(need.stage, need.path, need.part)}
                >
                  {needTitle(job, need)}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      <AsTable title="Type hoses and lines in as a table">
        <LineSheet kind="hose" />
        <LineSheet kind="hardLine" />
      </AsTable>
      <p className="mt-3 mb-2 text-ink-soft">
        Choose a part on the run above, or walk it with the arrow keys: its measurements and what it does appear here.
      </p>
      <AddPart spot="loose" onAdded={view.selectPart} label="Put a part beside the run" />
    </section>
  );
}

/** What the run brings at each operating point. */
function PointTable({
  solution,
  job,
  point,
}: {
  solution: RunSolution;
  job: Assessment['findings']['job'];
  point: string;
}) {
  const units = useDisplayUnits();
  const results = resultsOf(solution);
  const hasCurrent = results.some((r) => r.pumpCurrent !== undefined);
  return (
    <div className="overflow-x-auto">
      <table className="mb-2 w-full text-right text-[0.95rem]">
        <caption className="sr-only">The run at each operating point</caption>
        <thead className="label">
          <tr>
            <th className="text-left font-normal">At</th>
            <th className="font-normal">has</th>
            <th className="font-normal">wants</th>
            <th className="font-normal">drawn</th>
            <th className="font-normal">return</th>
            <th className="font-normal">suction</th>
            {hasCurrent && <th className="font-normal">current</th>}
          </tr>
        </thead>
        <tbody className="ruled">
          {results.map((r) => (
            <tr key={r.point.key} className={r.point.key === point ? 'bg-lit font-semibold' : ''}>
              <th scope="row" className="text-left font-normal">
                {shortPointName(job, r.point.key)}
              </th>
              <td className="figure">{units.show('pressure', r.railPressure)}</td>
              <td className="figure">{r.wanted === undefined ? '–' : units.show('pressure', r.wanted)}</td>
              <td className="figure">{units.show('volumeFlow', r.delivered)}</td>
              <td className="figure">{units.show('volumeFlow', r.returnFlow)}</td>
              <td className={`figure ${r.choked.length > 0 ? 'text-stop' : ''}`}>
                {r.choked.length > 0 ? 'choked' : units.show('head', r.suctionMargin)}
              </td>
              {hasCurrent && (
                <td className="figure">{r.pumpCurrent === undefined ? '–' : units.show('current', r.pumpCurrent)}</td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
