import { expect } from 'chai';
import { measured } from '../fields/measured.ts';
import type { SurveyedTank } from '../job/tank.ts';
import { attitudeTables } from './attitude-tables.ts';
import { compartments } from './compartments.ts';
import { tankByFills } from './fills.ts';
import { floorUnder } from './floor-under.ts';
import { leftAtPickup, mapAngles, pickupMap } from './pickup.ts';
import { solidMesh } from './solid.ts';
import { surveyedTank, type Tank } from './surveyed-tank.ts';
import { isotonic } from '../numerics/isotonic.ts';

const mm = (value: number) => measured(value / 1000, 'mm');
const known = (tank: SurveyedTank): Tank => {
  const outcome = surveyedTank(tank);
  if (outcome.kind !== 'known') throw new Error(JSON.stringify(outcome));
  return outcome.tank;
};
const box: SurveyedTank = { shape: 'box', depth: mm(200), length: mm(600), width: mm(400) };
const saddle: SurveyedTank = {
  shape: 'saddle',
  depth: mm(300),
  length: mm(500),
  leftWidth: mm(300),
  rightWidth: mm(200),
  bridgeWidth: mm(100),
  bridgeFloor: mm(150),
};

describe('what is left when the pickup uncovers', () => {
  it('on level ground is a slab as high as the pickup', () => {
    const tank = known(box);
    expect(leftAtPickup(compartments(tank, box, [0, 0, 0.02]), 1, [0, 0, 0.02])).to.be.closeTo(0.6 * 0.4 * 0.02, 1e-12);
  });
  it('with the nose down is a wedge against the front wall, in closed form', () => {
    const tank = known(box);
    // pickup at the back wall's foot: the surface falls through it and rises forward by tan 10°: half of that prism
    const slope = Math.tan(0.1745);
    const left = leftAtPickup(compartments(tank, box, [-0.3, 0, 0]), 1, [-0.3, 0, 0], 0.1745);
    expect(left).to.be.closeTo((0.4 * 0.6 ** 2 * slope) / 2, 1e-9);
    expect(leftAtPickup(compartments(tank, box, [-0.3, 0, 0]), 1, [-0.3, 0, 0], -0.1745)).to.equal(0);
  });
  it('keeps the far lobe of a saddle up to the bridge, or down to the siphon’s pickup', () => {
    const tank = known(saddle);
    const place = [0, 0.2, 0.01] as const;
    const far = [0, -0.15, 0.015] as const;
    const left = (siphon?: typeof far) => leftAtPickup(compartments(tank, saddle, place, siphon), 1, place);
    expect(left()).to.be.closeTo(0.5 * (0.3 * 0.01 + 0.2 * 0.15), 1e-12);
    expect(left(far)).to.be.closeTo(0.5 * (0.3 * 0.01 + 0.2 * 0.015), 1e-12);
  });
  it('keeps what a dammed baffle holds back; one open along the floor holds back nothing', () => {
    const dammed = { ...box, baffles: [{ id: 'a', across: 'across' as const, place: mm(100), opening: mm(40) }] };
    const open = { ...box, baffles: [{ id: 'a', across: 'across' as const, place: mm(100), opening: mm(0) }] };
    const left = (survey: SurveyedTank, x: number) =>
      leftAtPickup(compartments(known(survey), survey, [x, 0, 0.01]), 1, [x, 0, 0.01]);
    expect(left(dammed, -0.1)).to.be.closeTo(0.4 * (0.4 * 0.01 + 0.2 * 0.04), 1e-12);
    expect(left(dammed, 0.2)).to.be.closeTo(0.4 * (0.2 * 0.01 + 0.4 * 0.04), 1e-12);
    expect(left(open, -0.1)).to.be.closeTo(0.6 * 0.4 * 0.01, 1e-12);
  });
  it('is mapped over pitch and roll: even in both for a pickup in the middle, and less with a bucket', () => {
    const tank = known(box);
    const map = pickupMap(compartments(tank, box, [0, 0, 0.02]), 1, { place: [0, 0, 0.02], bucketInlet: 0.004 })!;
    const n = mapAngles.length;
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        expect(map.without[i]![j]).to.be.closeTo(map.without[n - 1 - i]![n - 1 - j]!, 1e-12);
        expect(map.withBucket![i]![j]).to.be.below(map.without[i]![j]!);
      }
    expect(pickupMap(compartments(tank, box, [0, 0, 0.02]), 1, { place: [0, 0, 0.02] }, () => false)).to.equal(
      undefined,
    );
  });
});

describe('the floor under a place', () => {
  it('is the lowest wall there, and nothing outside the tank', () => {
    const mesh = solidMesh({ kind: 'box', name: 'a', x: [0, 1], y: [0, 1], z: [0.2, 0.5] });
    expect(floorUnder(mesh, 0.5, 0.5)).to.equal(0.2);
    expect(floorUnder(mesh, 1.5, 0.5)).to.equal(undefined);
  });
});

describe('tables at 25 attitudes', () => {
  it('hold the level table in their middle, report their progress, and stop when told', async () => {
    const tank = known(box);
    const shares: number[] = [];
    const tables = await attitudeTables(tank, 40, (share) => shares.push(share) > 0);
    expect(tables!.attitudes).to.have.length(25);
    expect(shares.at(-1)).to.equal(1);
    tables!.levels.forEach((level, i) =>
      expect(tables!.attitudes[12]!.volumes[i]).to.be.closeTo(0.6 * 0.4 * level, 1e-12),
    );
    expect(await attitudeTables(tank, 40, (share) => share < 0.2)).to.equal(undefined);
  });
});

describe('fills of known volume', () => {
  const fills = (levels: readonly number[]) =>
    levels.map((level, i) => ({ id: `f${i}`, added: measured(0.005, 'L'), level: mm(level) }));
  it('make a strapping table', () => {
    const table = tankByFills(fills([20, 41, 60, 83]));
    expect(table?.ok && table.value.rows).to.deep.equal(
      [20, 41, 60, 83].map((mm, i) => ({ level: mm / 1000, volume: 0.005 * (i + 1) })),
    );
  });
  it('whose readings fall are evened out by monotone regression, and equal ones joined', () => {
    const table = tankByFills(fills([20, 45, 39, 60]));
    expect(table?.ok && table.value.rows.map((r) => Number((r.level * 1000).toFixed(6)))).to.deep.equal([20, 42, 60]);
    expect(table?.ok && table.value.rows[1]!.volume).to.be.closeTo(0.0125, 1e-12);
  });
  it('that say nothing yet make none', () => {
    expect(tankByFills([])).to.equal(undefined);
    expect(tankByFills(fills([30, 30]))).to.deep.equal({ ok: false, fault: { code: 'fills', what: 'tooFew' } });
  });
  it('carry the tank’s litres when that way is chosen', () => {
    expect(known({ shape: 'strapping', fills: fills([20, 41, 60, 83]) }).full).to.equal(0.02);
    expect(surveyedTank({ shape: 'strapping' })).to.deep.equal({ kind: 'needs', needs: ['strapping'] });
  });
  it('isotonic regression keeps a rising sequence, pools a falling one, and keeps the mean', () => {
    expect(isotonic([1, 2, 3])).to.deep.equal([1, 2, 3]);
    expect(isotonic([3, 2, 1])).to.deep.equal([2, 2, 2]);
    // worked by hand: 4 and 2 pool to 3; 7, 5 and 3 pool to 5
    expect(isotonic([1, 4, 2, 7, 5, 3, 8])).to.deep.equal([1, 3, 3, 5, 5, 5, 8]);
  });
});
