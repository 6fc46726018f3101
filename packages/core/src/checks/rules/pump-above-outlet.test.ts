import { expect } from 'chai';
import { assumed } from '../../job/assumption.ts';
import { act, carburettorJob, expectSnag, get, snagsOfRule } from '../../../test/rule-cases.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });

describe('rule pump-above-outlet', () => {
  // the tank's outlet is at its floor, 0
  const at = (height: number) => carburettorJob((j) => (get(j, 'pump').inletHeight = mm(height)));
  it('stops at an external pump just above the tank outlet, and not just below it', () => {
    expectSnag('pump-above-outlet', at(-1), at(1), 'stop', 'pump-1');
    expect(snagsOfRule(at(0), 'pump-above-outlet')).to.deep.equal([]);
  });
  it('stops at a line that humps above the fuel, just over it and not just under, and shows which', () => {
    const job = carburettorJob();
    const surface = job.survey.tank.depth!.si * assumed(job.assumptions, 'fuelLevel') * 1000;
    const over = (height: number) => carburettorJob((j) => Object.assign(j.parts['hose-1']!, { highest: mm(height) }));
    expect(snagsOfRule(over(surface - 1), 'pump-above-outlet')).to.deep.equal([]);
    const [snag] = snagsOfRule(over(surface + 1), 'pump-above-outlet');
    expect(snag!.path).to.deep.equal(['parts', 'hose-1', 'highest']);
    expect(snag!.what).to.include('rises above the fuel');
  });
  it('lets an engine-driven pump lift as much as it lifts, and no more', () => {
    const driven = (height: number) =>
      carburettorJob((j) =>
        act(j, {
          act: 'swapPart',
          id: 'pump-1',
          by: { kind: 'enginePump', id: 'engine-pump-1', inletHeight: mm(height), suctionLift: mm(800) },
        }),
      );
    expectSnag('pump-above-outlet', driven(799), driven(801), 'stop', 'engine-pump-1');
  });
});
