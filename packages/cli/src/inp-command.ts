import { needTitle } from '@endrel/core/reckoning/need-title';
import { solveNetwork } from '@endrel/core/hydraulics/solve-network';
import { describeIssue, LARGEST_JOB_FILE, readJobFile } from '@endrel/core/job/read-job-file';
import { writeInp } from '@endrel/core/networks/write-inp';
import { findingsOf } from '@endrel/core/reckoning/findings';
import { fuelOf } from '@endrel/core/reckoning/brief-values';
import { pointKeysOf } from '@endrel/core/run/operating-point';
import { describeRunFault } from '@endrel/core/run/run-fault';
import { resultAt } from '@endrel/core/run/solve-run';
import { networkAt } from '@endrel/core/run/network-at';
import { BadInput } from './bad-input.ts';
import type { Output } from './output.ts';
import { readText } from './read-input.ts';

/** `endrel inp JOB`: the job's run at one operating point as an EPANET input file. */
export async function inpCommand(
  operands: readonly string[],
  options: { point?: string },
  output: Output,
): Promise<number> {
  const [file, ...more] = operands;
  if (file === undefined || more.length > 0) throw new BadInput('inp takes one job file: endrel inp JOB --point idle');
  const key = options.point ?? 'fullLoad';
  const read = readJobFile(await readText(file, LARGEST_JOB_FILE));
  if (!read.ok) throw new BadInput(`${file}: ${describeIssue(read.fault[0]!)}`);
  const keys = pointKeysOf(read.value.job);
  if (!keys.includes(key)) throw new BadInput(`--point: there is no “${key}”; there are ${keys.join(', ')}`);
  const findings = findingsOf(read.value.job);
  const { faults, solution, needs } = findings;
  const job = findings.job;
  if (faults[0]) throw new BadInput(`${file}: ${describeRunFault(faults[0], job)}`);
  if (!solution) throw new BadInput(`${file}: the run still needs ${needs.map((n) => needTitle(job, n)).join(', ')}`);
  const result = resultAt(solution, key);
  const network = networkAt(job, fuelOf(job)!, result);
  const solved = solveNetwork(network);
  output.out(writeInp(network, `${job.name}, ${result.point.name}`, solved.ok ? solved.value : undefined).trimEnd());
  return 0;
}
