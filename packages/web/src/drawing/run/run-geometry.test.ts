import { expect } from 'chai';
import { demoJobs } from '@endrel/core/demo/index';
import { applyAct } from '@endrel/core/job/acts/apply-act';
import { layouts, type LayoutKey } from '@endrel/core/job/layout';
import { runGeometry } from './run-geometry.ts';

describe('the run’s drawing', () => {
  for (const job of Object.values(demoJobs))
    for (const key of Object.keys(layouts) as LayoutKey[])
      it(`${job.name}, ${layouts[key].name}: nothing overlaps and nothing leaves the sheet`, () => {
        const laid = applyAct(job, { act: 'chooseLayout', key });
        for (const available of [360, 940, 1250]) {
          const { slots, width, tank } = runGeometry(laid, available);
          expect(slots.length).to.equal(laid.run.supply.length - 1 + laid.run.return.length);
          for (const line of ['supply', 'return']) {
            const xs = slots.filter((s) => s.line === line).map((s) => s.x);
            xs.sort((a, b) => a - b).forEach((x, i) => {
              if (i > 0) expect(x - xs[i - 1]!).to.be.at.least(44);
              expect(x).to.be.within(tank.left, width);
            });
          }
        }
      });
  it('puts supply parts in the order of the fuel, left to right, and the return right to left', () => {
    const { slots } = runGeometry(demoJobs.flatBedTender, 1250);
    const xs = (line: string) => slots.filter((s) => s.line === line).map((s) => s.x);
    expect(xs('supply')).to.deep.equal([...xs('supply')].sort((a, b) => a - b));
    expect(xs('return')).to.deep.equal([...xs('return')].sort((a, b) => b - a));
  });
});

describe('pumps and pots on the drawing', () => {
  const withPumps = (count: number) => {
    const job = structuredClone(demoJobs.sprintCar);
    const at = job.run.supply.findIndex((c) => c.kind === 'pump');
    const first = job.run.supply[at] as Extract<(typeof job.run.supply)[number], { kind: 'pump' }>;
    for (let i = 1; i < count; i++) job.run.supply.splice(at + i, 0, { ...first, id: `pump-${i + 1}`, beside: true });
    return job;
  };
  it('pumps side by side stand under each other in one column, joined on both sides, inside the tank', () => {
    for (const count of [1, 2, 3]) {
      const { slots, groups, tank, height } = runGeometry(withPumps(count), 1250);
      const pumps = slots.filter((s) => s.part.kind === 'pump');
      expect(new Set(pumps.map((p) => p.x)).size).to.equal(1);
      expect(pumps.map((p) => p.y)).to.deep.equal([58, 108, 158].slice(0, count));
      expect(groups).to.have.length(count > 1 ? 1 : 0);
      for (const p of pumps) expect(p.y + 40).to.be.lessThan(height);
      expect(tank.bottom).to.be.lessThan(height);
    }
  });
  it('a return into the pot ends there, one into the tank at its wall', () => {
    const pot = runGeometry(demoJobs.rescuePickup, 1250);
    expect(pot.returnEndX).to.equal(pot.potX);
    const van = runGeometry(demoJobs.mailVan, 1250);
    expect([van.potX, van.returnEndX]).to.deep.equal([undefined, van.tank.right]);
  });
});
