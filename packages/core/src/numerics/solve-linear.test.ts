import { expect } from 'chai';
import fc from 'fast-check';
import { casesOf, seedOf } from '../../test/search.ts';
import { solveLinear } from './solve-linear.ts';

const solve = (rows: number[][], right: number[]): number[] | undefined => {
  const b = Float64Array.from(right);
  return solveLinear(Float64Array.from(rows.flat()), b, right.length) ? [...b] : undefined;
};

describe('a linear system', () => {
  it('is solved in rows of whatever scale, a zero on its diagonal too', () => {
    expect(
      solve(
        [
          [0, 2],
          [4, 0],
        ],
        [6, 8],
      ),
    ).to.deep.equal([2, 3]);
    expect(
      solve(
        [
          [2e-15, 0],
          [0, 4e-15],
        ],
        [2e-15, 8e-15],
      ),
    ).to.deep.equal([1, 2]);
    expect(
      solve(
        [
          [1e9, 0],
          [0, 1e-6],
        ],
        [1e9, 3e-6],
      )!.map((x) => Number(x.toPrecision(12))),
    ).to.deep.equal([1, 3]);
  });
  it('has no single answer where one row says what others do, large or small', () => {
    for (const scale of [1e-12, 1, 1e12])
      expect(
        solve(
          [
            [1, 2],
            [2, 4],
          ].map((row) => row.map((x) => x * scale)),
          [1, 2],
        ),
        `× ${scale}`,
      ).to.equal(undefined);
    expect(
      solve(
        [
          [0, 0],
          [0, 1],
        ],
        [0, 1],
      ),
    ).to.equal(undefined);
  });
  it('just over and just under 1e-13 of its row’s scale', () => {
    const near = (apart: number) =>
      solve(
        [
          [1, 1],
          [1, 1 + apart],
        ],
        [1, 1],
      );
    expect(near(3e-13)).to.not.equal(undefined);
    expect(near(5e-14)).to.equal(undefined);
  });
  it('is put back into its rows', () => {
    const number = fc.double({ min: -10, max: 10, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.array(number, { minLength: 5, maxLength: 5 }), { minLength: 5, maxLength: 5 }),
        fc.array(number, { minLength: 5, maxLength: 5 }),
        (rows, right) => {
          const dominant = rows.map((row, i) => row.map((x, j) => (i === j ? x + 60 : x))); // it has an answer
          const x = solve(dominant, right)!;
          dominant.forEach((row, i) =>
            expect(row.reduce((sum, a, j) => sum + a * x[j]!, 0)).to.be.closeTo(right[i]!, 1e-12 * 60),
          );
        },
      ),
      { seed: seedOf(7), numRuns: casesOf(2000) },
    );
  });
});
