import { toDegrees } from '@endrel/core/units/quick';
import { lineRouteProperties } from '@endrel/core/job/routes';
import { partName } from '@endrel/core/parts/kinds';
import { hoseAct } from '@endrel/core/routes/hose-cure';
import { allowedRadius, cutOf, lineName, type RoutedLine } from '@endrel/core/routes/lines';
import { FIRST_TIME_SPARE, hose as hoseKind } from '@endrel/core/parts/hose/hose';
import { ActButton } from '../../components/ActButton.tsx';
import { PropertyField } from '../../components/PropertyField.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { useAct, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import { useHoseEnds } from '../../calc/use-hose-ends.ts';
import { useShelf } from '../../api/shelf.ts';
import type { JobView } from '../job/use-job-view.ts';
import { LineViews } from './LineViews.tsx';
import { Missing } from './Missing.tsx';
import { Sleeves } from './Sleeves.tsx';
import { Through } from './Through.tsx';

const sayDegrees = (angle: number) => `${Math.round(toDegrees(angle))}°`;

/** A hose between its two ports: how it lies, what it is cut to, and which ends would do. */
export function HoseBench({ line, view }: { line: RoutedLine; view: JobView }) {
  const job = useJob();
  const act = useAct();
  const part = job.parts[line.part];
  if (part?.kind !== 'hose') return null;
  const path = ['routes', 'lines', line.part] as const;
  const route = job.routes?.lines?.[line.part] ?? {};
  const isPushedOn = (i: 0 | 1) => line.hose?.ends[i].leg1 === 0;
  const fields = [
    ...(isPushedOn(0) ? [] : ['startEnd', 'startClock']),
    ...(isPushedOn(1) ? [] : ['finishEnd', 'finishClock']),
    'moves',
    'grommet',
  ];
  return (
    <article aria-label={partName(part)}>
      <h2 className="border-b border-ink pb-1 text-lg">{partName(part)}</h2>
      <Missing line={line} view={view} />
      <div className="grid gap-x-8 gap-y-3 xl:grid-cols-2">
        <div className="min-w-0">
          <LineViews line={line} />
          <Figures line={line} />
        </div>
        <div className="min-w-0">
          <div className="grid gap-x-6 sm:grid-cols-2">
            <PropertyField
              property={hoseKind.properties.length}
              path={['parts', line.part, 'length']}
              value={part.length}
              onChange={(value, group) => act({ act: 'setOnPart', id: line.part, key: 'length', value }, group)}
            />
          </div>
          <PropertyGrid properties={lineRouteProperties} path={path} values={route} only={fields} />
          <Proposals line={line} />
        </div>
      </div>
      <Through
        path={[...path, 'through']}
        rows={route.through ?? []}
        what="Nothing holds it between its ends. A clip or a bracket goes here."
      />
      <Sleeves path={path} rows={route.sleeves} />
    </article>
  );
}

function Figures({ line }: { line: RoutedLine }) {
  const units = useDisplayUnits();
  const { hose } = line;
  if (!hose?.laid) return null;
  const { laid, allowed, ends, clocks } = hose;
  const margin = allowed === undefined ? undefined : laid.leastRadius / allowed - 1;
  const isTight = margin !== undefined && margin < 0;
  const rows: readonly (readonly [string, string, boolean?])[] = [
    ['cut to', units.tape(cutOf(hose))],
    ['from seat to seat', units.tape(line.length ?? 0)],
    [
      'tightest, inside radius',
      Number.isFinite(laid.leastRadius) ? units.tape(laid.leastRadius - line.radius) : 'straight',
      isTight,
    ],
    ['allowed', allowed === undefined ? 'construction not known' : units.tape(allowed - line.radius)],
    [
      'margin to kinking',
      margin === undefined || !Number.isFinite(margin) ? '–' : `${Math.round(margin * 100)} %`,
      isTight,
    ],
    ['turns in all', sayDegrees(laid.turning)],
    ['slack over the taut way', units.tape(hose.flexible - hose.taut)],
    ...(ends[0].angle > 0 ? ([['start end clocked', sayDegrees(clocks[0])]] as const) : []),
    ...(ends[1].angle > 0 ? ([['finish end clocked', sayDegrees(clocks[1])]] as const) : []),
  ];
  return (
    <>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 sm:max-w-[24rem]" aria-label="How it lies">
        {rows.map(([name, value, isBad]) => (
          <div key={name} className="contents">
            <dt className="label">{name}</dt>
            <dd className={`figure text-right ${isBad ? 'font-semibold text-stop' : ''}`}>{value}</dd>
          </div>
        ))}
      </dl>
      <details className="mt-2">
        <summary className="label min-h-[26px] py-1">Marking card</summary>
        <ol className="list-decimal pl-5 text-[0.93rem]">
          <li>
            Measure {units.tape(cutOf(hose))}, tape round the mark and cut square through the tape. First time: leave{' '}
            {units.tape(FIRST_TIME_SPARE)} spare at each end.
          </li>
          <li>Blow it out. Draw a line along the hose: a line that winds shows a twist.</li>
          {ends.map((end, i) => (
            <li key={i}>
              {i === 0 ? 'Start' : 'Finish'}: {units.tape(end.inserted)} of hose go in. Mark the hose at the edge of the
              socket; if the mark moves while it is tightened, the hose is pushing out.
              {end.angle > 0 &&
                ` Clock it to ${sayDegrees(clocks[i as 0 | 1])} against the port before it is nipped up.`}
            </li>
          ))}
        </ol>
      </details>
    </>
  );
}

/** Ends, clocking and length found for it, the easiest to have first. */
function Proposals({ line }: { line: RoutedLine }) {
  const job = useJob();
  const units = useDisplayUnits();
  const shelf = useShelf();
  const search = useHoseEnds(job, line.part, shelf);
  const part = job.parts[line.part];
  const allowed = part?.kind === 'hose' ? allowedRadius(part) : undefined;
  const isPlaced = !line.missing.some((m) => m.of !== 'length');
  const { answer, progress } = search;
  return (
    <section aria-label="Ends and length" className="my-3 border-y border-hair py-2">
      <div className="flex flex-wrap items-center gap-3">
        {progress ? (
          <>
            <progress value={progress.done} max={progress.of} aria-label="Pairs of ends looked at" />
            <span className="figure">
              {progress.done} of {progress.of} pairs
            </span>
            <button className="button" onClick={search.cancel}>
              Stop
            </button>
          </>
        ) : (
          <button className="button button-ink" disabled={!isPlaced || allowed === undefined} onClick={search.start}>
            Find ends and length
          </button>
        )}
        {allowed === undefined && <span className="label">It needs construction and bore, on the Run stage.</span>}
      </div>
      {answer && (
        <div aria-live="polite">
          {answer.proposals.length === 0 && (
            <p className="mt-1">
              No hose of this kind keeps its radius between these ports
              {answer.gentlest &&
                `; the gentlest of ${answer.tried} pairs comes to ${units.tape(Math.max(0, answer.gentlest.leastRadius - line.radius))} inside`}
              .
            </p>
          )}
          {answer.proposals.length > 0 && (
            <table className="mt-1 w-full text-right text-[0.93rem]">
              <thead className="label">
                <tr className="border-b border-hair-strong">
                  <th className="text-left font-normal">ends, clocked</th>
                  <th className="font-normal">cut</th>
                  <th className="pl-3 font-normal">tightest</th>
                  <th />
                </tr>
              </thead>
              <tbody className="ruled">
                {answer.proposals.map((p) => {
                  const name = `${endName(p.startEnd, p.startClock)} – ${endName(p.finishEnd, p.finishClock)}`;
                  return (
                    <tr key={name}>
                      <th scope="row" className="py-0.5 text-left font-semibold">
                        {name}
                        <span className="label block">
                          {p.onShelf} on the shelf,{' '}
                          <span className={p.tooNear > 0 ? 'text-fix' : ''}>
                            {p.tooNear > 0 ? `${p.tooNear} too near` : 'lies clear'}
                          </span>
                        </span>
                      </th>
                      <td className="figure">{units.tape(p.cut)}</td>
                      <td className="figure pl-3">{units.tape(p.leastRadius - line.radius)}</td>
                      <td className="pl-3">
                        <ActButton
                          act={hoseAct(line.part, p, `lay ${lineName(job, line.part)} anew`)}
                          label={`${name}: use it`}
                        >
                          Use it
                        </ActButton>
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          )}
          {answer.tube && (
            <p className="mt-1">
              {answer.tube.why === 'turnsBack'
                ? 'A close turn back like this is better bent of tube: '
                : 'A bent tube would do it: '}
              {units.tape(answer.tube.outside)} outside, {answer.tube.tube.table.bends.map(sayDegrees).join(', ')} on{' '}
              {units.tape(answer.tube.bendRadius)}, {units.tape(answer.tube.tube.table.developed)} developed.
            </p>
          )}
        </div>
      )}
    </section>
  );
}

const endName = (angle: number, clock: number): string =>
  angle === 0 ? 'straight' : `${angle}° at ${sayDegrees(clock)}`;
