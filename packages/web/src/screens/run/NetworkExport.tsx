import { solveNetwork } from '@endrel/core/hydraulics/solve-network';
import type { Job } from '@endrel/core/job/job';
import { writeInp } from '@endrel/core/networks/write-inp';
import { fuelOf } from '@endrel/core/reckoning/brief-values';
import { resultAt, type RunSolution } from '@endrel/core/run/solve-run';
import { networkAt } from '@endrel/core/run/network-at';
import { download } from '../../components/download.ts';

/** The run at the chosen operating point as an EPANET input file, so that anyone can check it in that open engine. */
export function NetworkExport({ job, solution, point }: { job: Job; solution: RunSolution; point: string }) {
  const write = () => {
    const result = resultAt(solution, point);
    const network = networkAt(job, fuelOf(job)!, result);
    const solved = solveNetwork(network);
    download(
      `run-${point}.inp`,
      'text/plain',
      writeInp(network, `${job.name}, ${result.point.name}`, solved.ok ? solved.value : undefined),
    );
  };
  return (
    <button className="button mt-2" onClick={write}>
      This point as an EPANET file
    </button>
  );
}
