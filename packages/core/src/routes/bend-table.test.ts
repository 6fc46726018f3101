import { expect } from 'chai';
import { referenceJson } from '../../test/read-reference.ts';
import { seeded } from '../../test/seeded.ts';
import { bendTable, pointsOfTable, type BendTable } from './bend-table.ts';
import { add, angleBetween, length, sub, times, unit, type Vec } from './vector.ts';

interface Case {
  readonly case: string;
  readonly clr_mm: number;
  readonly points_mm: Vec[];
}
interface Bent {
  readonly case: string;
  readonly straights_mm: number[];
  readonly rotations_deg: number[];
  readonly bends_deg: number[];
  readonly gains_mm: number[];
  readonly developed_length_mm: number;
  readonly bendable: boolean;
}
const tableOf = (points: readonly Vec[], radius: number): BendTable => {
  const table = bendTable(points, radius);
  if (!table.ok) throw new Error(table.fault.code);
  return table.value;
};
const DEGREE = Math.PI / 180;

describe('bend tables', () => {
  const cases = referenceJson('F_tube_bending/cases.json') as Case[];
  const bent = new Map((referenceJson('F_tube_bending/results_lra.json') as Bent[]).map((b) => [b.case, b]));
  // the reference prints nine digits behind the point
  const near = (mine: readonly number[], theirs: readonly number[], of: number) => {
    expect(mine.length).to.equal(theirs.length);
    mine.forEach((v, i) => expect(v / of).to.be.closeTo(theirs[i]!, 1e-8));
  };
  for (const { case: name, clr_mm: clr, points_mm: points } of cases)
    it(`agree with the reference: ${name}`, () => {
      const table = tableOf(points, clr);
      const theirs = bent.get(name)!;
      near(table.straights, theirs.straights_mm, 1);
      near(table.rotations, theirs.rotations_deg, DEGREE);
      near(table.bends, theirs.bends_deg, DEGREE);
      near(table.gains, theirs.gains_mm, 1);
      expect(table.developed).to.be.closeTo(theirs.developed_length_mm, 1e-8);
      expect(table.isBendable).to.equal(theirs.bendable);
    });
  it('give a quarter bend its textbook gain, (2 − π/2) R, and developed length', () => {
    const { gains, developed } = tableOf(
      [
        [0, 0, 0],
        [0.3, 0, 0],
        [0.3, 0.2, 0],
      ],
      0.04,
    );
    expect(gains[0]).to.be.closeTo((2 - Math.PI / 2) * 0.04, 1e-15);
    expect(developed).to.be.closeTo(0.5 - gains[0]!, 1e-15);
  });
  it('come back to the points that they were made of, whatever those are', () => {
    const next = seeded(4);
    for (let i = 0; i < 200; i++) {
      const points: Vec[] = [[next(), next(), next()]];
      for (let k = 0; k < 2 + Math.floor(next() * 7); k++)
        points.push(add(points.at(-1)!, times(0.05 + next(), unit([next() - 0.5, next() - 0.5, next() - 0.5]))));
      const radius = 0.005 + 0.03 * next();
      const table = tableOf(points, radius);
      const back = tableOf(pointsOfTable(table, radius), radius);
      for (const key of ['straights', 'rotations', 'bends'] as const)
        table[key].forEach((v, j) => expect(back[key][j]).to.be.closeTo(v, 1e-9));
      // distances between points are what a turn of the whole leaves alone
      const again = pointsOfTable(table, radius);
      points.forEach((p, a) =>
        points.forEach((q, b) => expect(length(sub(again[a]!, again[b]!))).to.be.closeTo(length(sub(p, q)), 1e-9)),
      );
    }
  });
  it('count a point on a straight as no bend', () => {
    const with_ = tableOf(
      [
        [0, 0, 0],
        [0.1, 0, 0],
        [0.3, 0, 0],
        [0.3, 0.2, 0],
      ],
      0.03,
    );
    expect([with_.bends.length, with_.straights[0]]).to.deep.equal([1, 0.3 - 0.03]);
    expect(angleBetween([1, 0, 0], [1, 1e-12, 0])).to.be.closeTo(1e-12, 1e-18);
  });
  it('name what cannot be bent', () => {
    const fault = (points: readonly Vec[], radius = 0.02) => {
      const table = bendTable(points, radius);
      return table.ok ? undefined : table.fault;
    };
    expect(fault([[0, 0, 0]])).to.deep.equal({ code: 'tooFewPoints' });
    expect(
      fault([
        [0, 0, 0],
        [1, 0, 0],
        [1, 0, 0],
      ]),
    ).to.deep.equal({ code: 'coincide', point: 2 });
    expect(
      fault([
        [0, 0, 0],
        [1, 0, 0],
        [0.5, 0, 0],
      ]),
    ).to.deep.equal({ code: 'turnsBack', point: 1 });
    expect(
      fault([
        [0, 0, 0],
        [1, 0, NaN],
      ]),
    ).to.deep.equal({ code: 'notANumber', point: 1 });
    for (const radius of [0, -1, NaN])
      expect(
        fault(
          [
            [0, 0, 0],
            [1, 0, 0],
          ],
          radius,
        ),
      ).to.deep.equal({ code: 'radius' });
    expect(
      tableOf(
        [
          [0, 0, 0],
          [0.05, 0, 0],
          [0.05, 0.05, 0],
          [0.2, 0.05, 0],
        ],
        0.04,
      ).isBendable,
    ).to.equal(false);
  });
});
