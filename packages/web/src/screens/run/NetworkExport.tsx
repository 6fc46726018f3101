import { fuelLiquid } from '@endrel/core/fluids/fuel';
import { solveNetwork } from '@endrel/core/hydraulics/solve-network';
import type { Job } from '@endrel/core/job/job';
import { writeInp } from '@endrel/core/networks/write-inp';
import { buildNetwork } from '@endrel/core/run/build-network';
import { fuelOf } from '@endrel/core/run/findings';
import { resultAt, type RunSolution } from '@endrel/core/run/solve-run';
import { download } from '../../components/download.ts';

/** The run at the chosen operating point as an EPANET input file, so that anyone can check it in that open engine. */
export function NetworkExport({ job, solution, point }: { job: Job; solution: RunSolution; point: string }) {
  const write = () => {
    const { point: conditions, components } = resultAt(solution, point);
    const voltages = new Map(components.flatMap((c) => (c.voltage === undefined ? [] : [[c.id, c.voltage] as const])));
    const { network } = buildNetwork(job, fuelLiquid(fuelOf(job)!, conditions.temperature), conditions, { voltages });
    const solved = solveNetwork(network);
    download(
      `run-${point}.inp`,
      'text/plain',
      writeInp(network, `${job.name}, ${conditions.name}`, solved.ok ? solved.value : undefined),
    );
  };
  return (
    <button className="button mt-2" onClick={write}>
      This point as an EPANET file
    </button>
  );
}
