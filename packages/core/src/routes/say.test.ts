import { expect } from 'chai';
import { islandShuttle } from '../demo/island-shuttle.ts';
import { sayIn } from '../units/unit-system.ts';
import type { BendFault } from './bend-table.ts';
import type { HoseFault } from './hose-shape.ts';
import { sayLineFault, sayPointFault, sayZoneFault } from './say.ts';

const say = (metres: number) => sayIn('metric').figure({ kind: 'length', si: metres });

describe('why something has no place, in a sentence', () => {
  const [first, second] = islandShuttle.routes!.points!;
  it('a point: what is not measured, or which tape is off and by how much', () => {
    const of = (fault: Parameters<typeof sayPointFault>[2], point = 'row-3') =>
      sayPointFault(islandShuttle, point, fault, say);
    expect(of({ code: 'unmeasured', axes: ['left', 'up'] }, second!.id)).to.equal('Not measured yet: left, up.');
    expect(of({ code: 'unmeasured', axes: ['up'] })).to.equal('Not measured yet: up, or as many tapes more.');
    expect(of({ code: 'fromUnknown', from: first!.id })).to.equal(
      `It is measured from “${first!.label}”, which has no place yet.`,
    );
    expect(of({ code: 'fromUnknown', from: 'none' })).to.contain('a point that is gone');
    expect(of({ code: 'circle' })).to.contain('measured from itself');
    const { tapes } = islandShuttle.routes!.points!.find((p) => p.id === 'row-3')!;
    const tape = tapes![0]!.id;
    expect(of({ code: 'cannotClose', tape, by: 0.012, at: [0, 0, 0] })).to.match(
      /^The tapes do not meet: .* is 12 mm too long at/,
    );
    expect(of({ code: 'cannotClose', tape, by: -0.012, at: [0, 0, 0] })).to.contain('12 mm too short');
    expect(of({ code: 'twoPlaces', places: [[1, 0, 0.5], [1, 0.2, 0.5]] })).to.contain('1000 mm, 0 mm, 500 mm or 1000 mm, 200 mm, 500 mm'); // prettier-ignore
    expect(of({ code: 'unsettled' })).to.contain('lies to the side');
  });
  it('a zone: what is not given, or that it takes no room', () => {
    const of = (fault: Parameters<typeof sayZoneFault>[1]) => sayZoneFault(islandShuttle, fault);
    expect(of({ code: 'unmeasured', of: 'radius' })).to.equal('Not given yet: half across.');
    expect(of({ code: 'fromUnknown', from: first!.id })).to.contain(first!.label!);
    expect(of({ code: 'flat' })).to.contain('no room');
    expect(of({ code: 'insideTank', tank: 'row-1' })).to.contain('inside the tank');
  });
  it('a line: in the words of a tube for its points, in those of a hose for its ends', () => {
    const bends: [BendFault, RegExp][] = [
      [{ code: 'tooFewPoints' }, /two points/],
      [{ code: 'radius' }, /radius/],
      [{ code: 'turnsBack', point: 1 }, /^At point 2 .* back on itself/],
      [{ code: 'coincide', point: 3 }, /^Point 4 lies where point 3/],
      [{ code: 'notANumber', point: 0 }, /^Point 1 is no place/],
    ];
    for (const [fault, words] of bends) expect(sayLineFault(fault), fault.code).to.match(words);
    const hose: HoseFault[] = [{ code: 'coincide' }, { code: 'notANumber' }];
    for (const fault of hose)
      expect(sayLineFault(fault), fault.code)
        .to.match(/^[A-Z][^.]*\.$/)
        .and.not.match(/point/);
  });
});
