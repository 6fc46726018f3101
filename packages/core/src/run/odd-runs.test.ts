import { expect } from 'chai';
import { oddRuns, railFedInMiddle, railsLoopedBack, regulatorOnRailSide } from '../../test/odd-runs.ts';
import { afterRailJob, snagsOfRule } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { readJobFile, writeJobFile } from '../job/read-job-file.ts';
import { circuitsOf } from './circuits.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { resultsOf, type RunSolution } from './solve-run.ts';

function solve(job: Job): RunSolution {
  const { solution, faults } = findingsOf(job);
  if (!solution) throw new Error(JSON.stringify(faults));
  return solution;
}
const LPH = 3.6e6;

describe('runs that no layout gives', () => {
  for (const [name, made] of Object.entries(oddRuns))
    it(`${name}: a valid file, solved at every point, no gap named, what is pumped is drawn or comes back`, () => {
      const job = made();
      const read = readJobFile(writeJobFile(job, () => undefined));
      expect(read.ok).to.equal(true);
      for (const rule of ['run-does-not-solve', 'open-port', 'loose-part', 'joint-does-not-seal'])
        expect(snagsOfRule(job, rule), rule).to.deep.equal([]);
      for (const point of resultsOf(solve(job))) {
        if (point.pot) continue; // it runs over besides
        expect(point.delivered * LPH, point.point.key).to.be.closeTo(point.point.demand * LPH, 1e-6);
        expect(point.pumpFlow * LPH).to.be.closeTo((point.delivered + point.returnFlow + point.reliefFlow) * LPH, 1e-3);
      }
    });
  it('a rail fed in its middle loses less to its last injector than one fed at its end, and gains no more than that', () => {
    const [middle, end] = [railFedInMiddle(), demoJobs.mailVan].map((job) => solve(job).points.fullLoad);
    const rail = end!.parts.find((p) => p.id === 'rail-1')!;
    const gained = middle!.railPressure - end!.railPressure;
    // of what the rail loses end to end: the longest way carries half the flow over half the length
    expect(gained / (rail.inletPressure - rail.outletPressure)).to.be.within(0.3, 0.9);
  });
  it('a regulator on the rail’s side holds the rail as one behind its end does', () => {
    const [side, end] = [regulatorOnRailSide(), afterRailJob()].map((job) => solve(job));
    expect(side!.points.idle.railPressure).to.be.closeTo(end!.points.idle.railPressure, 1000);
    expect(side!.points.idle.returnFlow * LPH).to.be.closeTo(end!.points.idle.returnFlow * LPH, 2);
  });
  it('two rails looped back into one regulator share what it spills, and both end at its chamber', () => {
    const job = railsLoopedBack();
    const run = circuitsOf(job);
    const into = run.into('regulator-1');
    expect(into.map((f) => f.toPort).sort()).to.deep.equal(['in', 'out']);
    const idle = solve(job).points.idle;
    const spilled = into.map((f) => idle.joints[f.joint]!.flow * LPH);
    expect(spilled[0]! + spilled[1]!).to.be.closeTo(idle.returnFlow * LPH, 1e-3);
    expect(spilled[0]).to.be.closeTo(spilled[1]!, 0.2 * idle.returnFlow * LPH);
    expect(run.zoneOf('rail-1')).to.equal(run.zoneOf('rail-2'));
  });
});
