import { isPump, partName } from '@endrel/core/parts/kinds';
import type { Job } from '@endrel/core/job/job';
import { resultAt, type RunSolution } from '@endrel/core/run/solve-run';
import { circuitsOf } from '@endrel/core/run/circuits';
import { useDisplayUnits } from '../../units/display-units.tsx';

interface LossListProps {
  readonly job: Job;
  readonly solution: RunSolution;
  readonly point: string;
  onPart(id: string): void;
}

/** Where each kPa goes: every part of the run by what it loses, the greediest first. */
export function LossList({ job, solution, point, onPart }: LossListProps) {
  const units = useDisplayUnits();
  const result = resultAt(solution, point);
  const losses = result.parts
    .flatMap((c) => {
      const part = job.parts[c.id];
      const loss = c.inletPressure - c.outletPressure - c.lift;
      return part && !isPump(part) && loss > 0 ? [{ id: c.id, name: partName(part), loss }] : [];
    })
    .concat(
      Object.entries(result.joints).flatMap(([joint, { loss = 0 }]) => {
        const at = job.joints[joint];
        const part = at && job.parts[at.b.part];
        return loss > 0 && part ? [{ id: part.id, name: `Adapters before ${partName(part)}`, loss }] : [];
      }),
    )
    .sort((a, b) => b.loss - a.loss);
  const total = losses.reduce((sum, l) => sum + l.loss, 0);
  const lift = result.parts.reduce((sum, c) => sum + (circuitsOf(job).lineOf(c.id) === 'supply' ? c.lift : 0), 0);
  if (total === 0) return null;
  return (
    <details className="mt-1" open>
      <summary className="py-1 font-semibold">
        Where each {units.system === 'metric' ? 'kPa' : 'psi'} goes at {result.point.name}
      </summary>
      <table className="w-full text-right text-[0.95rem]">
        <thead className="sr-only">
          <tr>
            <th>Part</th>
            <th>Loss</th>
            <th>Share</th>
          </tr>
        </thead>
        <tbody className="ruled">
          {losses.map(({ id, name, loss }) => (
            <tr key={`${id} ${name}`}>
              <th scope="row" className="text-left font-normal">
                <button
                  className="min-h-[24px] max-w-full truncate underline decoration-hair-strong underline-offset-3"
                  onClick={() => onPart(id)}
                >
                  {name}
                </button>
              </th>
              <td className="figure w-24">{units.show('pressure', loss)}</td>
              <td className="w-[34%] pl-3">
                <span className="block h-2.5 bg-supply" style={{ width: `${(100 * loss) / losses[0]!.loss}%` }} />
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row" className="text-left font-normal text-ink-soft">
              Lift on the way to the engine, no loss
            </th>
            <td className="figure">{units.show('pressure', lift)}</td>
            <td />
          </tr>
        </tbody>
      </table>
    </details>
  );
}
