import { expect } from 'chai';
import { demoJobs } from '../demo/index.ts';
import { applyAct } from '../acts/apply-act.ts';
import { measured } from '../fields/measured.ts';
import type { Part } from '../parts/kinds.ts';
import { pumpLibrary } from '../pumps/library.ts';
import { compileRun } from './compile-run.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { fuelOf } from '../reckoning/brief-values.ts';
import { operatingPoints } from './operating-point.ts';
import { PreparedRun } from './prepared-run.ts';
import { solvePoint } from './solve-point.ts';
import { resultAt, resultsOf, solveRun } from './solve-run.ts';

/** Pa: twice what the solver lets itself off at. */
const CLOSE = 2;

describe('a prepared run', () => {
  for (const key of ['mailVan', 'sprintCar', 'rescuePickup'] as const)
    it(`${key}: set to other bores, lengths and pumps it gives what a run compiled anew gives, at every point`, () => {
      const job = demoJobs[key];
      const fuel = fuelOf(job)!;
      const demand = findingsOf(job).demand!.volumeFlow;
      const prepared = new PreparedRun(compileRun(job));
      const points = operatingPoints(job, fuel, demand);
      const hoses = Object.values(job.parts).filter((p) => p.kind === 'hose');
      const pumps = Object.values(job.parts).filter((p) => p.kind === 'pump');
      const designs: Part[][] = [
        hoses.map((h) => ({ ...h, bore: measured(0.0065, 'mm') })),
        hoses.map((h) => ({ ...h, bore: measured(0.0095, 'mm'), length: measured(h.length!.si * 2, 'mm') })),
        pumps.map((p) => ({ ...p, tables: [...Object.values(pumpLibrary).at(-1)!.tables] })),
      ];
      const now = { ...job.parts };
      for (const parts of designs) {
        for (const part of parts) now[part.id] = part;
        prepared.setParts(parts);
        const anew = solveRun({ ...job, parts: { ...now } }, fuel, demand);
        if (!anew.ok) throw new Error(anew.fault.code);
        for (const point of points) {
          const solved = solvePoint(prepared, job, fuel, point);
          if (!solved.ok) throw new Error(solved.fault.code);
          const result = resultAt(anew.value, point.key);
          for (const part of solved.value.run.parts) {
            const was = result.parts.find((p) => p.id === part.id)!;
            expect(solved.value.pressures[part.inlet]!, `${point.key} ${part.id}`).to.be.closeTo(
              was.inletPressure,
              CLOSE,
            );
          }
        }
      }
    });
  for (const key of ['mailVan', 'sprintCar', 'rescuePickup', 'islandShuttle'] as const)
    it(`${key}: becomes the run of a job with other sizes, and says of it all that a run compiled anew does`, () => {
      const fuel = fuelOf(demoJobs[key])!;
      const demand = findingsOf(demoJobs[key]).demand!.volumeFlow;
      const prepared = new PreparedRun(compileRun(demoJobs[key]));
      let job = demoJobs[key];
      for (const bore of [0.0065, 0.0095, 0.0075]) {
        for (const { id } of Object.values(job.parts).filter((p) => p.kind === 'hose'))
          job = applyAct(job, { act: 'setOnPart', id, key: 'bore', value: measured(bore, 'mm') });
        prepared.become(job);
        const [became, anew] = [solveRun(job, fuel, demand, prepared), solveRun(job, fuel, demand)];
        if (!became.ok || !anew.ok) throw new Error('not solved');
        expect(became.value.margin!.margin).to.be.closeTo(anew.value.margin!.margin, 1e-5);
        for (const result of resultsOf(became.value)) {
          const was = resultAt(anew.value, result.point.key);
          expect(result.railPressure).to.be.closeTo(was.railPressure, CLOSE);
          for (const part of result.parts) {
            const other = was.parts.find((p) => p.id === part.id)!;
            expect(part.velocity ?? 0, `${result.point.key} ${part.id}`).to.be.closeTo(other.velocity ?? 0, 1e-3);
            expect(part.outletPressure).to.be.closeTo(other.outletPressure, CLOSE);
          }
        }
      }
    });
  it('does not become a run of other parts', () => {
    const prepared = new PreparedRun(compileRun(demoJobs.mailVan));
    expect(() => prepared.become(demoJobs.sprintCar)).to.throw(RangeError, /another run/);
  });
  it('refuses a part that would be another piece of network', () => {
    const job = demoJobs.mailVan;
    const prepared = new PreparedRun(compileRun(job));
    expect(() => prepared.setParts([{ kind: 'tee', id: 'hose-2' }])).to.throw(RangeError, /compile the run anew/);
  });
});
