import { partName } from '@endrel/core/parts/kinds';
import { useAssessment, useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';
import type { JobView } from '../job/use-job-view.ts';
import { Nothing } from './Nothing.tsx';
import { useWiring } from './use-wiring.ts';

const volts = (v: number): string => `${v.toFixed(3)} V`;
const ohms = (v: number | undefined): string => (v === undefined ? 'open' : `${Number(v.toPrecision(4))} Ω`);

/** What gauges, control units and loggers get of what senders and sensors say. */
export function SignalsTab({ view }: { view: JobView }) {
  const job = useJob();
  const units = useDisplayUnits();
  const levels = useAssessment()?.findings.levels ?? [];
  const { harness, found, say } = useWiring();
  if (!harness.devices?.length) return <Nothing />;
  const names = Object.fromEntries((found?.points ?? []).map((p) => [p.key, p.name]));
  const gaugeStage = (
    <button className="underline underline-offset-2" onClick={() => view.goTo('gauge')}>
      Gauge
    </button>
  );
  return (
    <div className="grid max-w-[70rem] gap-x-8 gap-y-5 xl:grid-cols-2">
      <section aria-label="Sender and gauge">
        <h2 className="border-b border-ink pb-1 text-lg">Sender and gauge</h2>
        {levels.length === 0 && (
          <p className="text-ink-soft">No fuel gauge is in the circuit: add sender and gauge on the page “Circuit”.</p>
        )}
        {levels.map((level) => (
          <div key={level.gauge} className="mb-3">
            <p>
              {say(level.gauge)} reads{' '}
              {level.senders.length === 0 ? 'no sender yet' : level.senders.map(say).join(' and ')}
              {level.senders.length > 1 && ' in series: their ohms add'}
              {level.held === undefined ? '' : `, behind a stabiliser that holds ${volts(level.held)}`}
              {level.converter
                ? `. ${say(level.converter)} stands between: what the gauge shows follows its table`
                : ''}
              .
            </p>
            {level.readings.length === 0 ? (
              <p className="text-ink-soft">Ohms of the sender at both stops are measured on the stage {gaugeStage}.</p>
            ) : (
              <table className="w-full text-right text-[0.95rem]">
                <thead className="label">
                  <tr className="border-b border-hair">
                    <th className="text-left font-normal">at</th>
                    <th className="font-normal">sender</th>
                    <th className="font-normal">gauge sees</th>
                    <th className="font-normal">with the pumps running</th>
                    <th className="font-normal">needle off by</th>
                  </tr>
                </thead>
                <tbody className="ruled">
                  {level.readings.map((r) => (
                    <tr key={r.mark}>
                      <th scope="row" className="text-left font-normal">
                        {r.mark}
                      </th>
                      <td className="figure">{ohms(r.ohms)}</td>
                      <td className="figure">{ohms(r.still)}</td>
                      <td className="figure">{ohms(r.running)}</td>
                      <td className="figure">{r.off === undefined ? '–' : `${(100 * r.off).toFixed(1)} %`}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </div>
        ))}
        <p className="label">
          Resistors, converter and table that match the sender to the gauge are on the stage {gaugeStage}. What wires
          and earth add, and what the pump’s current lifts on an earth that both share, is added here.
        </p>
      </section>
      <section aria-label="Pressure sensors">
        <h2 className="border-b border-ink pb-1 text-lg">Pressure sensors</h2>
        {(found?.sensors.length ?? 0) === 0 && (
          <p className="text-ink-soft">No pressure sensor of the run is in the circuit.</p>
        )}
        {found?.sensors.map((s) => (
          <div key={s.device} className="mb-3">
            <p>
              {job.parts[s.part] ? partName(job.parts[s.part]!) : s.part}:{' '}
              {s.supply === undefined ? 'not wired whole yet' : `${volts(s.supply)} at its plug`}
              {s.lift === undefined ? '' : `, its earth at most ${volts(s.lift)} from that of what reads it`}. Its
              signal goes with its supply: a reader that takes it for a share of the same supply does not see that part.
            </p>
            {s.readings.length > 0 && (
              <table className="w-full text-right text-[0.95rem]">
                <thead className="label">
                  <tr className="border-b border-hair">
                    <th className="text-left font-normal">at</th>
                    <th className="font-normal">pressure</th>
                    <th className="font-normal">by its sheet</th>
                    <th className="font-normal">arrives</th>
                    <th className="font-normal">misread by</th>
                  </tr>
                </thead>
                <tbody className="ruled">
                  {s.readings.map((r) => (
                    <tr key={r.point}>
                      <th scope="row" className="text-left font-normal">
                        {names[r.point] ?? r.point}
                      </th>
                      <td className="figure">{units.show('pressure', r.pressure)}</td>
                      <td className="figure">{volts(r.expected)}</td>
                      <td className="figure">{volts(r.arrives)}</td>
                      <td className="figure">{units.show('pressure', r.off)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </div>
        ))}
      </section>
      <section aria-label="Wideband">
        <h2 className="border-b border-ink pb-1 text-lg">Wideband output</h2>
        {(found?.widebands.length ?? 0) === 0 && (
          <p className="text-ink-soft">
            Put the wideband controller into the circuit and enter what its output should be and what the logger read at
            the same moment.
          </p>
        )}
        {found?.widebands.map((w) => (
          <p key={w.device}>
            {say(w.device)}: take <b className="figure">{volts(w.offset)}</b> from every reading
            {w.mixture === undefined
              ? ''
              : `; left in, the mixture would be misread by ${Math.abs(w.mixture).toFixed(2)}`}
            .
          </p>
        ))}
      </section>
    </div>
  );
}
