import { fuelLiquid } from '@endrel/core/fluids/fuel';
import { solveNetwork } from '@endrel/core/hydraulics/solve-network';
import type { Job } from '@endrel/core/job/job';
import { writeInp } from '@endrel/core/networks/write-inp';
import { buildNetwork } from '@endrel/core/run/build-network';
import { fuelOf } from '@endrel/core/run/findings';
import { pointNames, type PointKey } from '@endrel/core/run/operating-point';
import type { RunSolution } from '@endrel/core/run/solve-run';
import { download } from '../../components/download.ts';

/** The run at the chosen operating point as an EPANET input file, so that anyone can check it in that open engine. */
export function NetworkExport({ job, solution, point }: { job: Job; solution: RunSolution; point: PointKey }) {
  const write = () => {
    const { point: conditions, components } = solution.points[point];
    const voltages = new Map(components.flatMap((c) => (c.voltage === undefined ? [] : [[c.id, c.voltage] as const])));
    const { network } = buildNetwork(
      job,
      fuelLiquid(fuelOf(job)!, conditions.temperature),
      conditions,
      undefined,
      voltages,
    );
    const solved = solveNetwork(network);
    download(
      `run-${point}.inp`,
      'text/plain',
      writeInp(network, `${job.name}, ${pointNames[point]}`, solved.ok ? solved.value : undefined),
    );
  };
  return (
    <button className="button mt-2" onClick={write}>
      This point as an EPANET file
    </button>
  );
}
