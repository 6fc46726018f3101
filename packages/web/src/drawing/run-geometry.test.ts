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
  it('puts supply components in the order of the fuel, left to right, and the return right to left', () => {
    const { slots } = runGeometry(demoJobs.flatBedTender, 1250);
    const xs = (line: string) => slots.filter((s) => s.line === line).map((s) => s.x);
    expect(xs('supply')).to.deep.equal([...xs('supply')].sort((a, b) => a - b));
    expect(xs('return')).to.deep.equal([...xs('return')].sort((a, b) => b - a));
  });
});
