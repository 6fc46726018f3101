import { expect } from 'chai';
import { afterRailJob, cleanJob } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { fuelOf } from '../reckoning/brief-values.ts';
import { systemCurve } from './system-curve.ts';

describe('what a run asks of its pump', () => {
  const at = (job: Job, flows?: number[]) => {
    const result = findingsOf(job).solution!.points.fullLoad;
    const pump = result.parts.find((c) => c.id === 'pump-1')!;
    const curve = systemCurve(job, fuelOf(job)!, result.point, 'pump-1', flows ?? [pump.flow]);
    return { pump, curve };
  };
  for (const [name, made] of Object.entries({
    van: () => cleanJob(),
    'bypass after the rail': () => afterRailJob(),
    sprint: () => demoJobs.sprintCar,
    'lift pump of the pickup': () => demoJobs.rescuePickup,
  }))
    it(`${name}: crosses the pump’s curve where the pump works`, () => {
      const { pump, curve } = at(made());
      expect(curve).to.have.length(1);
      expect(curve[0]!.rise).to.be.closeTo(pump.outletPressure - pump.inletPressure, 5);
    });
  it('rises with flow, from what the regulator holds', () => {
    const flows = [60, 120, 180, 240, 300].map((lph) => lph / 3.6e6);
    const { curve } = at(cleanJob(), flows);
    expect(curve.map((p) => p.flow)).to.deep.equal(flows);
    curve.slice(1).forEach((p, i) => expect(p.rise).to.be.greaterThan(curve[i]!.rise));
    expect(curve[0]!.rise).to.be.within(4e5, 4.2e5);
  });
  it('is empty for a pump that stands, or is not there', () => {
    expect(
      systemCurve(cleanJob(), fuelOf(cleanJob())!, findingsOf(cleanJob()).solution!.points.idle.point, 'x', [1e-5]),
    ).to.deep.equal([]);
  });
});
