import type { Job } from '@endrel/core/job/job';
import { ownPointProperties, pointConditions, pointKeys, pointNames } from '@endrel/core/job/points';
import { originOf, type OperatingPoint } from '@endrel/core/run/operating-point';
import { resultAt } from '@endrel/core/run/solve-run';
import { capital } from '@endrel/core/units/capital';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { RowsField } from '../../components/RowsField.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';

/** Every condition that the run is solved for, side by side; each may have its own fuel, voltage and level. */
export function PointsTab({ view, onWorking }: { view: JobView; onWorking(key: string): void }) {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const solution = assessment?.findings.solution;
  const keys = [...pointKeys, ...(job.points?.own ?? []).map((o) => o.id)];
  const results = solution && keys.flatMap((key) => (solution.points[key] ? [resultAt(solution, key)] : []));
  const chosen = pointKeys.find((key) => key === view.point);
  return (
    <>
      {results ? (
        <div className="overflow-x-auto">
          <table className="w-full text-right text-[0.95rem]">
            <caption className="sr-only">Operating points</caption>
            <thead className="label">
              <tr className="border-b border-hair-strong">
                <th className="text-left font-normal">At</th>
                <th className="font-normal">engine burns</th>
                <th className="font-normal">manifold</th>
                <th className="font-normal">fuel</th>
                <th className="font-normal">level</th>
                <th className="font-normal">voltage</th>
                <th className="font-normal">rail</th>
                <th className="font-normal">less manifold</th>
                <th className="font-normal">pumped</th>
                <th className="font-normal">returned</th>
                <th className="font-normal">draws</th>
                {results.some((r) => r.duty !== undefined) && <th className="font-normal">duty</th>}
                {results.some((r) => r.pot) && <th className="font-normal">pot runs over</th>}
                <th className="font-normal">suction margin</th>
                <th className="font-normal" title="Pressure at the engine above the fuel’s vapour pressure there">
                  over vapour
                </th>
              </tr>
            </thead>
            <tbody className="ruled">
              {results.map((r) => (
                <tr key={r.point.key} className={r.point.key === view.point ? 'bg-lit font-semibold' : ''}>
                  <th scope="row" className="text-left font-normal">
                    <button
                      className="min-h-[24px] text-left underline decoration-hair-strong underline-offset-3"
                      onClick={() => view.setPoint(r.point.key)}
                    >
                      {capital(r.point.name)}
                    </button>
                  </th>
                  <td className={`figure ${r.delivered < r.point.demand * 0.999 ? 'text-stop' : ''}`}>
                    {units.show('volumeFlow', r.point.demand)}
                    {r.delivered < r.point.demand * 0.999 && (
                      <span className="block text-[0.8rem]">gets {units.show('volumeFlow', r.delivered)}</span>
                    )}
                  </td>
                  <td className="figure">{units.show('pressure', r.point.manifold)}</td>
                  <td className="figure">{units.show('temperature', r.point.temperature)}</td>
                  <td className="figure">{units.show('fraction', r.point.level)}</td>
                  <td className="figure">{units.show('voltage', r.point.voltage)}</td>
                  <td className="figure">
                    <button
                      className="min-h-[24px] decoration-1 underline-offset-3 hover:underline"
                      title="Show the working"
                      onClick={() => onWorking(`railPressure:${r.point.key}`)}
                    >
                      {units.show('pressure', r.railPressure)}
                    </button>
                  </td>
                  <td className="figure">{units.show('pressure', r.injectorPressure)}</td>
                  <td className="figure">{units.show('volumeFlow', r.pumpFlow)}</td>
                  <td className="figure">{units.show('volumeFlow', r.returnFlow)}</td>
                  <td className="figure">{r.pumpCurrent === undefined ? '–' : units.show('current', r.pumpCurrent)}</td>
                  {results.some((x) => x.duty !== undefined) && (
                    <td className="figure">{r.duty === undefined ? '–' : units.show('fraction', r.duty)}</td>
                  )}
                  {results.some((x) => x.pot) && (
                    <td className="figure">{r.pot ? units.show('volumeFlow', r.pot.overflow) : '–'}</td>
                  )}
                  <td className="figure">
                    <button
                      className="min-h-[24px] decoration-1 underline-offset-3 hover:underline"
                      title="Show the working"
                      onClick={() => onWorking(`suction:${r.point.key}`)}
                    >
                      {r.choked.length > 0 ? 'choked' : units.show('head', r.suctionMargin)}
                    </button>
                  </td>
                  <td className="figure">{units.show('pressure', r.engineVapourMargin)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : (
        <p className="sheet p-4 text-ink-soft">The points are worked out as soon as the run can be solved.</p>
      )}
      {solution?.prime && (
        <p className="mt-2">
          Key on with a dry line: <span className="figure">{units.show('volume', solution.prime.volume)}</span> from
          pump to injectors take <span className="figure">{units.show('time', solution.prime.time)}</span> to fill. Many
          control units prime for two seconds (common practice): key on twice if it takes longer.
        </p>
      )}
      <div className="mt-4 grid gap-x-10 gap-y-4 xl:grid-cols-2">
        <section>
          <h2 className="border-b border-ink pb-1 text-lg">
            {chosen ? `${capital(pointNames[chosen])}: its own conditions` : 'Its own conditions'}
          </h2>
          {chosen ? (
            <>
              <p className="label py-1">Left empty, the job’s usual conditions count.</p>
              <PropertyGrid
                key={chosen}
                properties={solution ? withUsual(job, solution.points[chosen].point) : pointConditions}
                path={['points', chosen]}
                values={job.points?.[chosen] ?? {}}
              />
            </>
          ) : (
            <p className="label py-1">
              Choose one of the usual points above; the fitter’s own have theirs in the list.
            </p>
          )}
        </section>
        <RowsField
          title="Points of your own"
          one="an operating point"
          properties={ownPointProperties}
          path={['points', 'own']}
          rows={job.points?.own}
          most={6}
          empty="A long climb, a track day, idling in traffic: give it a load and its conditions."
        />
      </div>
    </>
  );
}

/** The fields with what counts at present in them, as their stand-in. */
function withUsual(job: Job, point: OperatingPoint): typeof pointConditions {
  const usual = { temperature: point.temperature, voltage: point.voltage, level: point.level, dirt: point.dirt };
  return Object.fromEntries(
    Object.entries(pointConditions).map(([key, property]) => [
      key,
      {
        ...property,
        typical: {
          si: usual[key as keyof typeof usual],
          source: originOf(job, point.key, key as keyof typeof usual).source,
        },
      },
    ]),
  ) as typeof pointConditions;
}
