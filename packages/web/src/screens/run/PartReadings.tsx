import { resultsOf, type RunSolution } from '@endrel/core/run/solve-run';
import { isBypass, isPump, isRegulator, kindOf, type Part } from '@endrel/core/parts/kinds';
import { sensorSignal } from '@endrel/core/parts/pressure-sensor/pressure-sensor';
import { shortPointName } from '@endrel/core/run/operating-point';
import { useJob } from '../../session/session-context.tsx';
import { useDisplayUnits } from '../../units/display-units.tsx';

const stateWords = {
  open: '',
  regulating: 'regulating',
  wideOpen: 'wide open',
  shut: 'shut',
  choked: 'choked',
} as const;

const LEAST_LIFT = 50; // Pa: below that nothing shows

/** What a part does at each operating point. */
export function PartReadings({ part, solution, point }: { part: Part; solution: RunSolution; point: string }) {
  const units = useDisplayUnits();
  const job = useJob();
  const rows = resultsOf(solution).map(({ point: { key }, parts, duty }) => ({
    duty,
    key,
    flow: parts.find((c) => c.id === part.id),
  }));
  const spills = isBypass(part);
  const hasVelocity = rows.some((r) => r.flow?.velocity !== undefined);
  const hasCurrent = rows.some((r) => r.flow?.current !== undefined);
  const hasVoltage = rows.some((r) => r.flow?.wiringCost !== undefined || r.duty !== undefined);
  // weight is no loss: it comes back on the way down
  const hasLift = !spills && rows.some((r) => Math.abs(r.flow?.lift ?? 0) > LEAST_LIFT);
  const hasDuty = kindOf(part).isControlled?.(part) === true;
  const hasSuction = kindOf(part).isElectric;
  const isChoked = rows.some((r) => r.flow?.state === 'choked');
  const hasState = isRegulator(part) || part.kind === 'checkValve' || isChoked;
  const isSensor = part.kind === 'pressureSensor';
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-right text-[0.95rem]">
        <caption className="sr-only">At each operating point</caption>
        <thead className="label">
          <tr>
            <th className="text-left font-normal">At</th>
            <th className="font-normal">in</th>
            {!spills && <th className="font-normal">{isPump(part) ? 'rise' : 'loss'}</th>}
            {hasLift && <th className="font-normal">lift</th>}
            <th className="font-normal">{spills ? 'spills' : kindOf(part).isPot ? 'runs over' : 'flow'}</th>
            {hasVelocity && <th className="font-normal">velocity</th>}
            {hasCurrent && <th className="font-normal">current</th>}
            {hasVoltage && <th className="font-normal">voltage</th>}
            {hasDuty && <th className="font-normal">duty</th>}
            {hasSuction && <th className="font-normal">suction</th>}
            {isSensor && <th className="font-normal">signal</th>}
            {hasState && <th className="font-normal">state</th>}
          </tr>
        </thead>
        <tbody className="ruled">
          {rows.map(({ key, flow, duty }) =>
            flow ? (
              <tr key={key} className={key === point ? 'bg-lit font-semibold' : ''}>
                <th scope="row" className="text-left font-normal">
                  {shortPointName(job, key)}
                </th>
                <td className="figure">{units.show('pressure', flow.inletPressure)}</td>
                {!spills && (
                  <td className="figure">
                    {units.show('pressure', Math.abs(flow.inletPressure - flow.outletPressure - flow.lift))}
                  </td>
                )}
                {hasLift && <td className="figure">{units.show('pressure', flow.lift)}</td>}
                <td className="figure">{units.show('volumeFlow', flow.flow)}</td>
                {hasVelocity && (
                  <td className="figure">
                    {flow.velocity === undefined ? '–' : units.show('velocity', flow.velocity)}
                  </td>
                )}
                {hasCurrent && (
                  <td className="figure">{flow.current === undefined ? '–' : units.show('current', flow.current)}</td>
                )}
                {hasVoltage && (
                  <td className="figure">
                    {flow.voltage === undefined ? '–' : units.show('voltage', flow.voltage)}
                    {flow.extrapolated && <span title="Outside the pump’s tables"> (extrapolated)</span>}
                  </td>
                )}
                {hasDuty && <td className="figure">{duty === undefined ? '–' : units.show('fraction', duty)}</td>}
                {hasSuction && (
                  <td className="figure">
                    {flow.suctionMargin === undefined ? 'stands' : units.show('head', flow.suctionMargin)}
                  </td>
                )}
                {isSensor && (
                  <td className="figure">{units.show('voltage', sensorSignal(part, flow.inletPressure))}</td>
                )}
                {hasState && <td>{stateWords[flow.state]}</td>}
              </tr>
            ) : null,
          )}
        </tbody>
      </table>
    </div>
  );
}
