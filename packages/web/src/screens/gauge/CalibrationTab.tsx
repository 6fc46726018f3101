import { csvText } from '../../components/csv.ts';
import { download } from '../../components/download.ts';
import { useAssessment, useJob, useSnapshot } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

/** Ohms by tenths of the tank: for a programmable gauge, and to hold the real tank against as fuel goes in. */
export function CalibrationTab() {
  const job = useJob();
  const assessment = useAssessment();
  const units = useDisplayUnits();
  const { revision } = useSnapshot();
  const outcome = assessment?.findings.gauge;
  if (outcome?.kind !== 'computed')
    return (
      <p className="sheet max-w-xl p-4 text-ink-soft">
        The card fills itself once tank, float and sender are known: see Match.
      </p>
    );
  const { calibration, proof, track, sweep } = outcome.findings;
  const csv = () =>
    csvText([
      ['share_%', 'volume_L', 'level_mm', 'sender_ohm'],
      ...calibration.map((r) => [
        (r.share * 100).toFixed(0),
        (r.volume * 1000).toFixed(2),
        (r.level * 1000).toFixed(1),
        r.ohms.toFixed(1),
      ]),
    ]);
  return (
    <article className="max-w-[46rem]">
      <header className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-1">
        <div>
          <h2 className="text-xl">Gauge calibration, by tenths of the tank</h2>
          <p className="text-ink-soft">
            {job.name}
            {job.vehicle && `, ${job.vehicle}`} ·{' '}
            {new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })} · revision{' '}
            {revision}
          </p>
        </div>
        <div className="no-print flex gap-2">
          <button className="button" onClick={() => window.print()}>
            Print
          </button>
          <button className="button" onClick={() => download('gauge-calibration.csv', 'text/csv', csv())}>
            As CSV
          </button>
        </div>
      </header>
      <table className="mt-2 w-full text-right">
        <thead className="label">
          <tr>
            <th className="font-normal">Full</th>
            <th className="font-normal">volume</th>
            <th className="font-normal">level</th>
            <th className="font-normal">sender</th>
            <th className="font-normal">read on the tank</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {calibration.map((row) => (
            <tr key={row.share}>
              <td className="figure">{units.show('fraction', row.share)}</td>
              <td className="figure">{units.show('volume', row.volume)}</td>
              <td className="figure">{units.tape(row.level)}</td>
              <td className="figure">{units.show('resistance', row.ohms)}</td>
              <td className="w-40 border-l border-hair" />
            </tr>
          ))}
        </tbody>
      </table>
      <p className="label mt-1">
        {track === 'measured'
          ? 'The sender’s track as measured while sweeping.'
          : sweep.arm
            ? 'The sender is reckoned linear in the arm’s angle.'
            : 'The sender is reckoned linear in height; give arm and pivot for its arc, or sweep it.'}{' '}
        Below and above its stops the float rests, so the reading stands still.
      </p>
      {proof.length > 0 && (
        <section className="mt-4">
          <h3 className="text-lg">Fills, read and reckoned</h3>
          <table className="w-full max-w-md text-right">
            <thead className="label">
              <tr>
                <th className="font-normal">in the tank</th>
                <th className="font-normal">read</th>
                <th className="font-normal">reckoned</th>
              </tr>
            </thead>
            <tbody className="ruled">
              {proof.map((p) => (
                <tr key={p.volume}>
                  <td className="figure">{units.show('volume', p.volume)}</td>
                  <td className="figure">{units.show('resistance', p.measured)}</td>
                  <td className="figure">{units.show('resistance', p.computed)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </article>
  );
}
