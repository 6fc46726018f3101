import { needTitle } from '@endrel/core/reckoning/need-title';
import { Suspense } from 'react';
import type { GaugeFindings } from '@endrel/core/gauge/gauge-findings';
import { gaugeProperties } from '@endrel/core/job/gauge';
import type { MatchedNetwork } from '@endrel/core/senders/match-sender';
import { Caution } from '../../components/Caution.tsx';
import { PropertyGrid } from '../../components/PropertyGrid.tsx';
import { CircuitDrawing, ohms } from '../../drawing/CircuitDrawing.tsx';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { Reading } from '../../components/Reading.tsx';
import { loadable } from '../../components/loadable.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { Claim } from '../../components/Claim.tsx';

const NeedleChart = loadable(() => import('../../charts/NeedleChart.tsx').then((m) => m.NeedleChart));

/** What goes between sender and gauge, and what the needle then shows in litres. */
export function MatchTab({ view }: { view: JobView }) {
  const job = useJob();
  const assessment = useAssessment();
  const gauge = job.gauge ?? {};
  const outcome = assessment?.findings.gauge;
  const needs =
    assessment?.findings.needs.filter((n) => n.stage === 'gauge' || (n.stage === 'survey' && n.path[1] === 'tank')) ??
    [];
  const programmable = gauge.kind === 'programmable';
  return (
    <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[1.3fr_1fr]">
      <div className="min-w-0">
        {outcome?.kind === 'computed' ? (
          <GaugeResult findings={outcome.findings} wanted={gauge.reserveWanted?.si} />
        ) : (
          <div className="sheet p-5">
            <h2 className="text-lg">What the gauge will show</h2>
            {outcome?.kind === 'armTooShort' ? (
              <p className="mt-2">The arm cannot reach its stops: see the snag.</p>
            ) : outcome?.kind === 'needs' ? (
              <>
                <p className="mt-2 text-ink-soft">
                  <Claim>It appears once these are known:</Claim>
                </p>
                <ul className="mt-1 list-disc pl-5">
                  {needs.map((need) => (
                    <li key={need.path.join('/')}>
                      <button className="underline" onClick={() => view.goToField(need.stage, need.path, need.part)}>
                        {needTitle(job, need)}
                      </button>
                    </li>
                  ))}
                </ul>
              </>
            ) : (
              <p className="mt-2 text-ink-soft">
                Say what reads the sender, then measure the sender at both stops: an ohmmeter and a minute.
              </p>
            )}
          </div>
        )}
      </div>
      <div className="min-w-0">
        <section>
          <h2 className="border-b border-ink pb-1 text-lg">Sender and gauge</h2>
          <PropertyGrid
            properties={gaugeProperties}
            path={['gauge']}
            values={gauge}
            only={[
              'kind',
              'senderEmpty',
              'senderFull',
              ...(programmable ? ['floatLow', 'floatHigh'] : ['gaugeEmpty', 'gaugeFull', 'floatLow', 'floatHigh']),
            ]}
          />
        </section>
        <section className="mt-3">
          <h2 className="border-b border-ink pb-1 text-lg">Second sender, as in a saddle tank</h2>
          <PropertyGrid
            properties={gaugeProperties}
            path={['gauge']}
            values={gauge}
            only={['combine', ...(gauge.combine ? ['secondEmpty', 'secondFull', 'secondLow', 'secondHigh'] : [])]}
          />
        </section>
        <section className="mt-3">
          <h2 className="border-b border-ink pb-1 text-lg">The gauge itself</h2>
          <PropertyGrid
            properties={gaugeProperties}
            path={['gauge']}
            values={gauge}
            only={[
              'movement',
              'supply',
              ...(gauge.movement === 'bimetal' ? ['stabiliser', 'gaugeResistance'] : []),
              'reserveWanted',
            ]}
          />
        </section>
        <Caution>
          Measure a sender on the bench or with the battery off and the tank aired; an ohmmeter’s own current is small,
          but vapour needs little.
        </Caution>
      </div>
    </div>
  );
}

function GaugeResult({ findings, wanted }: { findings: GaugeFindings; wanted?: number }) {
  const units = useDisplayUnits();
  const [first, last] = [findings.needle[0]!.ohms, findings.needle.at(-1)!.ohms];
  const sender = `${Number(first.toFixed(1))}–${Number(last.toFixed(1))} Ω`;
  const { match, marks } = findings;
  const after = marks.some((m) => m.matched !== undefined);
  const atEmpty = marks[0] && (after ? marks[0].matched : marks[0].direct);
  return (
    <>
      <dl className="readings">
        <Reading name="brim-full, by its shape" value={units.show('volume', findings.full)} />
        {marks.length > 0 && (
          <Reading
            name="left when the needle reaches E"
            value={atEmpty === undefined ? 'never' : units.show('volume', atEmpty)}
            note={wanted === undefined ? undefined : `${units.show('volume', wanted)} reserve wanted`}
          />
        )}
        <Reading name="float does not follow, below" value={units.show('volume', findings.deadBands.below)} />
        <Reading name="and above" value={units.show('volume', findings.deadBands.above)} />
        {findings.supplyShift !== undefined && (
          <Reading
            name="needle at ½ moves by"
            value={units.show('fraction', findings.supplyShift)}
            note="of the scale, at this supply: fit a stabiliser"
          />
        )}
      </dl>
      {match && (
        <section className="mt-2">
          <h2 className="text-lg">Between sender and gauge</h2>
          {match.kind === 'direct' && <p>Nothing: the sender has the gauge’s own range.</p>}
          {match.kind === 'impossible' && (
            <p className="text-stop">
              They run in opposite senses: no resistors turn a sender round. Use a sender of the gauge’s sense, a
              converter box, or a programmable gauge.
            </p>
          )}
          {match.kind === 'nearest' && (
            <p className="text-fix">
              No network is exact at both ends; this is the nearest. A sender of the gauge’s range or a programmable
              gauge does better.
            </p>
          )}
          {match.kind === 'network' && (
            <NetworkFigures exact={match.exact} practical={match.practical} watts={match.watts} />
          )}
          {match.kind === 'nearest' && <p>Worst end error {units.show('fraction', match.nearest.endError)}.</p>}
          {match.kind !== 'impossible' && (
            <CircuitDrawing
              network={
                match.kind === 'network'
                  ? match.practical.network
                  : match.kind === 'nearest'
                    ? match.nearest.network
                    : undefined
              }
              sender={sender}
              label="Circuit from gauge through resistors to the sender and earth"
            />
          )}
        </section>
      )}
      {marks.length > 0 && (
        <section className="mt-3">
          <h2 className="text-lg">Needle and litres</h2>
          <Suspense fallback={<p className="h-72 text-ink-soft">Drawing …</p>}>
            <NeedleChart findings={findings} />
          </Suspense>
          <table className="mt-2 w-full text-right">
            <caption className="label text-left">
              In the tank when the needle stands at a mark; error against a scale true in litres
            </caption>
            <thead className="label">
              <tr>
                <th className="text-left font-normal">Mark</th>
                <th className="font-normal">straight to the gauge</th>
                {after && <th className="font-normal">through resistors</th>}
                <th className="font-normal">true</th>
                <th className="font-normal">error</th>
              </tr>
            </thead>
            <tbody className="ruled">
              {marks.map((m) => {
                const shown = after ? m.matched : m.direct;
                return (
                  <tr key={m.mark}>
                    <th scope="row" className="text-left">
                      {m.mark}
                    </th>
                    <td className="figure">
                      {m.direct === undefined ? 'never there' : units.show('volume', m.direct)}
                    </td>
                    {after && (
                      <td className="figure">
                        {m.matched === undefined ? 'never there' : units.show('volume', m.matched)}
                      </td>
                    )}
                    <td className="figure">{units.show('volume', m.ideal)}</td>
                    <td className="figure">{shown === undefined ? '–' : units.show('volume', shown - m.ideal)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      )}
    </>
  );
}

function NetworkFigures({
  exact,
  practical,
  watts,
}: {
  exact: MatchedNetwork;
  practical: MatchedNetwork;
  watts: { series: number; parallel: number };
}) {
  const units = useDisplayUnits();
  const value = (ohm: number) => (ohm === Infinity ? 'none' : ohm === 0 ? 'a wire' : ohms(ohm));
  return (
    <p>
      Series <span className="figure">{value(practical.network.series)}</span>, parallel{' '}
      <span className="figure">{value(practical.network.parallel)}</span> (E24; exact would be{' '}
      {value(exact.network.series)} and {value(exact.network.parallel)}). Worst end error{' '}
      <span className="figure">{units.show('fraction', practical.endError)}</span>; half resistance reads{' '}
      <span className="figure">{units.show('fraction', practical.readings.middle)}</span>. They warm by at most{' '}
      {watts.series.toFixed(2)} W and {watts.parallel.toFixed(2)} W: use twice that rating.
    </p>
  );
}
