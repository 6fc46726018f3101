import { expect } from 'chai';
import fc from 'fast-check';
import { monotoneCurve, piecewiseCurve, powerCurve, type Point } from './curve.ts';
import { solveLinear } from './solve-linear.ts';

const falling = fc
  .array(fc.tuple(fc.double({ min: 0.01, max: 5, noNaN: true }), fc.double({ min: 0.01, max: 50, noNaN: true })), {
    minLength: 2,
    maxLength: 9,
  })
  .map((steps) => {
    let [x, y] = [0, 700];
    return steps.map(([dx, dy]): Point => [(x += dx), (y -= dy)]);
  });

describe('a curve through a table', () => {
  it('passes through every point', () => {
    fc.assert(
      fc.property(falling, (points) => {
        for (const curve of [monotoneCurve(points), piecewiseCurve(points)])
          for (const [x, y] of points) expect(curve.value(x)).to.be.closeTo(y, 1e-6);
      }),
      { seed: 21 },
    );
  });
  it('never rises between falling points (the property the Fritsch-Butland tangents exist for)', () => {
    fc.assert(
      fc.property(falling, fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2 }), (points, shares) => {
        const [from, to] = [points[0]![0], points.at(-1)![0]];
        const curve = monotoneCurve(points);
        const values = shares.sort((a, b) => a - b).map((s) => curve.value(from + s * (to - from)));
        for (let i = 1; i < values.length; i++) expect(values[i]).to.be.at.most(values[i - 1]! + 1e-9);
      }),
      { seed: 22 },
    );
  });
  it('has the slope that a central difference finds', () => {
    const curve = monotoneCurve([
      [0, 740],
      [60, 700],
      [136, 600],
      [186, 500],
      [255, 300],
      [320, 0],
    ]);
    for (const x of [-10, 5, 59, 61, 130, 200, 300, 350])
      expect(curve.slope(x)).to.be.closeTo((curve.value(x + 1e-4) - curve.value(x - 1e-4)) / 2e-4, 1e-4);
  });
  it('puts the three-point power law through its three points', () => {
    const curve = powerCurve([
      [0, 740],
      [200, 470],
      [320, 0],
    ]);
    expect([0, 200, 320].map((x) => curve.value(x)).map(Math.round)).to.deep.equal([740, 470, 0]);
  });
  it('refuses points that do not ascend', () => {
    expect(() =>
      piecewiseCurve([
        [1, 2],
        [1, 3],
      ]),
    ).to.throw(RangeError);
  });
});

describe('linear equations', () => {
  it('gives back the vector that made the right-hand side', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 20, maxLength: 20 }),
        (entries) => {
          const n = 4;
          const a = Float64Array.from(entries.slice(0, 16));
          for (let i = 0; i < n; i++) a[i * n + i]! += 15; // diagonally dominant: well conditioned
          const x = entries.slice(16);
          const b = Float64Array.from({ length: n }, (_, i) => x.reduce((sum, xj, j) => sum + a[i * n + j]! * xj, 0));
          expect(solveLinear(a, b, n)).to.equal(true);
          b.forEach((value, i) => expect(value).to.be.closeTo(x[i]!, 1e-12));
        },
      ),
      { seed: 23 },
    );
  });
  it('says that a singular system has no single answer', () => {
    expect(solveLinear(Float64Array.from([1, 2, 2, 4]), Float64Array.from([1, 1]), 2)).to.equal(false);
  });
});
