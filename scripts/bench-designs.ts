import { parentPort, workerData } from 'node:worker_threads';
import { demoJobs } from '../packages/core/src/demo/index.ts';
import { measured } from '../packages/core/src/fields/measured.ts';
import type { Part } from '../packages/core/src/parts/kinds.ts';
import { pumpLibrary } from '../packages/core/src/pumps/library.ts';
import { compileRun } from '../packages/core/src/run/compile-run.ts';
import { findingsOf } from '../packages/core/src/reckoning/findings.ts';
import { fuelOf } from '../packages/core/src/reckoning/brief-values.ts';
import { operatingPoints } from '../packages/core/src/run/operating-point.ts';
import { PreparedRun } from '../packages/core/src/run/prepared-run.ts';
import { solvePoint } from '../packages/core/src/run/solve-point.ts';

/** Sweeps bores and pumps of the mail van's run, every operating point of each design. Answers how many points were solved. */
export function sweepDesigns(first: number, last: number): number {
  const job = demoJobs.mailVan;
  const fuel = fuelOf(job)!;
  const points = operatingPoints(job, fuel, findingsOf(job).demand!.volumeFlow);
  const prepared = new PreparedRun(compileRun(job));
  const hoses = Object.values(job.parts).filter((p) => p.kind === 'hose');
  const pump = Object.values(job.parts).find((p) => p.kind === 'pump')!;
  const pumps = Object.values(pumpLibrary).slice(1);
  const bores = [0.0055, 0.006, 0.0065, 0.007, 0.0075, 0.008, 0.0085, 0.009, 0.0095, 0.01, 0.0105];
  let solved = 0;
  let before: number[] = [];
  for (let design = first; design < last; design++) {
    let rest = design;
    const choices = [pumps.length, ...hoses.map(() => bores.length)].map((count) => {
      const choice = rest % count;
      rest = Math.floor(rest / count);
      return choice;
    });
    const changed: Part[] = [];
    if (choices[0] !== before[0]) changed.push({ ...pump, tables: [...pumps[choices[0]!]!.tables] });
    hoses.forEach((hose, i) => {
      if (choices[i + 1] !== before[i + 1]) changed.push({ ...hose, bore: measured(bores[choices[i + 1]!]!, 'mm') });
    });
    before = choices;
    prepared.setParts(changed);
    for (const point of points) if (solvePoint(prepared, job, fuel, point).ok) solved += 1;
  }
  return solved;
}

if (parentPort) {
  const { first, last } = workerData as { first: number; last: number };
  parentPort.postMessage(sweepDesigns(first, last));
}
