import { expect } from 'chai';
import { seeded } from '../../test/seeded.ts';
import { mm } from '../units/quick.ts';
import { placePoints, type PlacedPoint, type PointFault, type SurveyedPoint } from './place-points.ts';
import { cross, dot, length, sub, unit, type Vec } from './vector.ts';

const m = (si: number) => ({ si, unit: 'm' as const });
const at = (id: string, [x, y, z]: Vec, from?: string): SurveyedPoint => ({
  id,
  ...(from ? { from } : {}),
  rearward: m(x),
  left: m(y),
  up: m(z),
});
const tapes = (...far: readonly (readonly [to: string | undefined, far: number])[]): SurveyedPoint['tapes'] =>
  far.map(([to, si], i) => ({ id: `t${i}`, ...(to ? { to } : {}), far: m(si) }));
const placed = (points: readonly SurveyedPoint[], id: string): PlacedPoint => {
  const found = placePoints(points).get(id)!;
  if (!found.ok) throw new Error(found.fault.code);
  return found.value;
};
const faultOf = (points: readonly SurveyedPoint[], id: string): PointFault => {
  const found = placePoints(points).get(id)!;
  if (found.ok) throw new Error('it has a place');
  return found.fault;
};
const offPlane = (p: Vec, a: Vec, b: Vec, c: Vec) => Math.abs(dot(unit(cross(sub(b, a), sub(c, a))), sub(p, a)));
const near = (a: Vec, b: Vec, by: number) => expect(length(sub(a, b))).to.be.below(by);

describe('points of the vehicle', () => {
  it('add up from the datum and from one another', () => {
    const points = [at('b', [0.5, -0.1, 0.2], 'a'), at('a', [1, 2, 3]), at('c', [0, 0, -0.2], 'b')];
    near(placed(points, 'c').at, [1.5, 1.9, 3], 1e-12);
  });
  it('are found from three tapes, on the side that is meant', () => {
    const next = seeded(12);
    let tried = 0;
    while (tried < 40) {
      const vec = (): Vec => [4 * next() - 2, 2 * next() - 1, next()];
      const [a, b, c, p] = [vec(), vec(), vec(), vec()];
      // hardly off the plane of the three it is not settled: the next test
      if (offPlane(p, a, b, c) < 0.1) continue;
      tried++;
      // which side of the plane of the three it is on, told along the axis that leans most across it
      const known = [at('a', a), at('b', b), at('c', c)];
      const far = (q: Vec) => length(sub(p, q));
      const tape = tapes(['a', far(a)], ['b', far(b)], ['c', far(c)]);
      const both = faultOf([...known, { id: 'p', tapes: tape }], 'p');
      expect(both.code).to.equal('twoPlaces');
      const places = both.code === 'twoPlaces' ? both.places : [];
      const other = places.find((q) => length(sub(q, p)) > 1e-4)!;
      const axis = [0, 1, 2].reduce((u, v) => (Math.abs(p[v]! - other[v]!) > Math.abs(p[u]! - other[u]!) ? v : u));
      const side = (
        [
          ['rearward', 'forward'],
          ['left', 'right'],
          ['up', 'down'],
        ] as const
      )[axis]![p[axis]! > other[axis]! ? 0 : 1];
      const found = placed([...known, { id: 'p', tapes: tape, side }], 'p');
      near(found.at, p, 1e-5);
      for (const { by } of found.misfits) expect(Math.abs(by)).to.be.below(1e-8);
    }
  });
  it('take a height that is known with two tapes: the 3-4-5 triangle', () => {
    const points = [at('a', [0, 0, 0]), at('b', [0.8, 0, 0])];
    const p = { id: 'p', up: m(0), side: 'left', tapes: tapes(['a', 0.5], ['b', 0.5]) } as const;
    near(placed([...points, p], 'p').at, [0.4, 0.3, 0], 1e-9);
    near(placed([...points, { ...p, side: 'right' }], 'p').at, [0.4, -0.3, 0], 1e-9);
  });
  it('show how far each tape is out where there are more than it takes', () => {
    const points = [at('a', [0, 0, 0]), at('b', [1, 0, 0]), at('c', [0, 1, 0])];
    const p: Vec = [0.3, 0.4, 0];
    const far = [
      [0, 0, 0],
      [1, 0, 0],
      [0, 1, 0],
    ].map((q) => length(sub(p, q as unknown as Vec)));
    const wrong = { id: 'p', up: m(0), tapes: tapes(['a', far[0]! + mm(6)], ['b', far[1]!], ['c', far[2]!]) };
    const found = placed([...points, wrong], 'p');
    expect(Math.max(...found.misfits.map(({ by }) => Math.abs(by)))).to.be.within(mm(1), mm(6));
    near(found.at, p, mm(8));
    expect(found.spread).to.be.within(0.5, 3);
  });
  it('say which tape does not close, just over the limit and not just under', () => {
    const points = [at('a', [0, 0, 0]), at('b', [1, 0, 0])];
    // on the line between two points, tapes that overlap by twice the misfit of each
    const p = (off: number) => ({ id: 'p', left: m(0), up: m(0), tapes: tapes(['a', 0.4 + off], ['b', 0.6 + off]) });
    expect(placed([...points, p(mm(9.9))], 'p').misfits.map(({ by }) => Math.round(by * 1e4))).to.deep.equal([99, 99]);
    const fault = faultOf([...points, p(mm(10.1))], 'p');
    expect(fault.code).to.equal('cannotClose');
    expect(faultOf([...points, { id: 'p', up: m(0), tapes: tapes(['a', 0.3], ['b', 0.4]) }], 'p').code).to.equal(
      'cannotClose',
    );
  });
  it('say what keeps them from a place', () => {
    expect(faultOf([{ id: 'p', rearward: m(1) }], 'p')).to.deep.equal({ code: 'unmeasured', axes: ['left', 'up'] });
    expect(faultOf([at('p', [0, 0, 0], 'gone')], 'p')).to.deep.equal({ code: 'fromUnknown', from: 'gone' });
    const circle = [at('a', [1, 0, 0], 'b'), at('b', [1, 0, 0], 'c'), at('c', [1, 0, 0], 'a')];
    for (const { id } of circle) expect(faultOf(circle, id).code).to.equal('circle');
    const inLine = [at('a', [0, 0, 0]), at('b', [1, 0, 0]), at('c', [2, 0, 0])];
    const p = { id: 'p', tapes: tapes(['a', Math.SQRT2], ['b', 1], ['c', Math.SQRT2]) };
    expect(faultOf([...inLine, p], 'p').code).to.be.oneOf(['unsettled', 'twoPlaces']);
  });
});
