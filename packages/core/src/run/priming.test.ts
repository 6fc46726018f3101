import { expect } from 'chai';
import { carburettorJob, changed, get } from '../../test/rule-cases.ts';
import { mm } from '../demo/build.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { primingOf } from './priming.ts';

const one = (job: Job) => {
  const found = primingOf(job);
  expect(found).to.have.length(1);
  return found[0]!;
};
describe('whether a pump outside the tank fills by itself', () => {
  it('counts from the fuel that stands in the tank to the inlet, where nothing on the way is higher', () => {
    const low = one(carburettorJob());
    const level = low.surface; // of a tank 300 mm deep
    expect(low).to.deep.include({ from: 'tank', highest: -0.12, at: undefined });
    expect(level).to.be.within(0, 0.3);
    expect(low.lift).to.be.closeTo(-0.12 - level, 1e-12);
    // so much deeper, so much higher it stands: a share of the depth
    expect(one(carburettorJob((j) => (j.survey.tank.depth = mm(600)))).surface).to.be.closeTo(2 * level, 1e-12);
    const high = one(carburettorJob((j) => (get(j, 'pump').inletHeight = mm(500))));
    expect([high.highest, high.lift]).to.deep.equal([0.5, 0.5 - level]);
  });

  it('counts to the highest joint or line on the suction, and says where that is', () => {
    const rising = (id: string) => carburettorJob((j) => Object.assign(j.parts[id]!, { highest: mm(333) }));
    expect(one(rising('hose-1'))).to.deep.include({ highest: 0.333, at: { part: 'hose-1' } });
    expect(one(rising('hard-line-1')).highest, 'behind the pump').to.equal(-0.12);
    const atJoint = (id: string, height: number) => one(carburettorJob((j) => (j.joints[id]!.height = mm(height))));
    expect(atJoint('pump-1-in', 250)).to.deep.include({ highest: 0.25, at: { joint: 'pump-1-in' } });
    expect(atJoint('pump-1-in', -200)).to.deep.include({ highest: -0.12, at: undefined });
    expect(atJoint('regulator-1-in', 250).highest, 'behind the pump').to.equal(-0.12);
  });

  it('a pickup from above leaves by the top of the tank', () => {
    for (const pickup of ['tube', 'hanger'] as const)
      expect(one(carburettorJob((j) => (get(j, 'tank').pickup = pickup))).highest).to.equal(0.3);
    expect(one(carburettorJob((j) => (get(j, 'tank').pickup = 'bottomOutlet'))).highest).to.equal(-0.12);
  });

  it('asks nothing of a pump in the tank, of one whose height is not known, nor where the depth is not', () => {
    expect(primingOf(demoJobs.mailVan)).to.deep.equal([]);
    expect(primingOf(carburettorJob((j) => delete get(j, 'pump').inletHeight))).to.deep.equal([]);
    expect(primingOf(carburettorJob((j) => delete j.survey.tank.depth))).to.deep.equal([]);
  });

  it('a pot that is kept full counts by its brim, whatever the tank is', () => {
    const pickup = changed(demoJobs.rescuePickup, (j) => delete j.survey.tank.depth);
    for (const job of [demoJobs.rescuePickup, pickup]) {
      const found = one(job);
      expect(found).to.deep.include({ pump: 'pump-2', from: 'pot' });
      expect(found.surface).to.be.closeTo(0.52, 1e-9); // 300 mm and a pot of 220
      expect(found.lift).to.be.closeTo(found.highest - 0.52, 1e-12);
    }
  });
});
