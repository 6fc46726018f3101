import { expect } from 'chai';
import { changed, cleanJob, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { fuelLiquid } from '../fluids/fuel.ts';
import { orificeFlow } from '../hydraulics/orifice.ts';
import type { Hanger } from '../job/hanger.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { siphonFindings, type JetConditions } from './siphon.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const litre = (value: number) => ({ si: value / 1000, unit: 'L' });
/** A plain box of 600 x 400 x 200 mm with a rigid hanger in its middle. */
const boxJob = (hanger: Hanger, change: (job: Job) => void = () => undefined): Job =>
  cleanJob((j) => {
    Object.assign(j.survey.tank, {
      shape: 'box',
      depth: mm(200),
      length: mm(600),
      width: mm(400),
      cornerRadius: mm(0),
      baffles: [],
    });
    j.hanger = { hold: 'rigid', floorGap: mm(2), ...hanger };
    j.gauge = undefined;
    change(j);
  });
const of = (hanger: Hanger, change?: (job: Job) => void) => findingsOf(boxJob(hanger, change)).hanger;

describe('what the hanger comes to', () => {
  it('draws down to the pump’s inlet: sock height over the floor gap', () => {
    const { pickup } = of({ sockThickness: mm(14) });
    expect(pickup!.place).to.deep.equal([0, 0, 0.016]);
    expect(pickup!.left).to.be.closeTo(0.6 * 0.4 * 0.016, 1e-9);
    expect(pickup!.usable).to.be.closeTo(0.6 * 0.4 * 0.2 * 0.95 - pickup!.left, 1e-9);
    expect(pickup!.stranded).to.deep.equal([]);
    expect(pickup!.aboveLowest).to.be.closeTo(0, 1e-12);
  });
  it('leaves less in foam, and less with a bucket that fills from the floor', () => {
    const dry = of({ sockThickness: mm(14) }).pickup!;
    const foamed = of({ sockThickness: mm(14) }, (j) => (j.survey.tank.foam = true)).pickup!;
    expect(foamed.left / dry.left).to.be.closeTo(0.97, 1e-9);
    const bucket = of({ sockThickness: mm(14), bucket: true, bucketInlet: mm(3) }).pickup!;
    expect(bucket.leftWithBucket).to.be.closeTo(0.6 * 0.4 * 0.003, 1e-9);
  });
  it('knows nothing of litres without a tank, and nothing of height without a depth', () => {
    expect(of({}, (j) => delete j.survey.tank.length).pickup).to.equal(undefined);
    expect(of({}, (j) => delete j.survey.tank.depth).stand).to.equal(undefined);
  });
  it('holds a bucket’s litres against what the engine burns, and its inlet against what is drawn', () => {
    const job = boxJob({
      bucket: true,
      bucketVolume: litre(0.6),
      bucketInlet: mm(3),
      bucketInletBore: mm(10),
      reserveLevel: mm(25),
    });
    const { hanger, demand, solution, fuel } = findingsOf(job);
    const full = solution!.points.fullLoad;
    expect(hanger.bucket!.seconds).to.be.closeTo(0.0006 / full.pumpFlow, 1e-9);
    const { density } = fuelLiquid(fuel!, 293.15);
    expect(hanger.bucket!.refill).to.be.closeTo(orificeFlow(density * 9.80665 * 0.022, 0.01, 'sharp', density), 1e-12);
    expect(hanger.bucket!.needed).to.equal(solution!.points.fullLoad.pumpFlow);
    const inside = findingsOf(changed(job, (j) => (j.hanger!.returnIntoBucket = true))).hanger;
    expect(inside.bucket!.needed).to.equal(demand!.volumeFlow);
    expect(inside.bucket!.seconds).to.be.closeTo(0.0006 / (full.pumpFlow - full.returnFlow), 1e-9);
  });
  it('measures from return to pickup in space, and how deep its end lies at the reserve level', () => {
    const { back } = of(
      { returnForward: mm(30), returnLeft: mm(40), reserveLevel: mm(25), sockThickness: mm(17) },
      (j) => Object.assign(get(j, 'returnDrop'), { endHeight: mm(19) }),
    );
    expect(back!.distance).to.be.closeTo(0.05, 1e-9);
    expect(back!.submersion).to.be.closeTo(0.006, 1e-12);
    expect(back!.tube).to.be.closeTo(0.2 - 0.019, 1e-12);
  });
  it('takes the free way to the farther wall for tilting in, unless it was measured', () => {
    const stiff = { stiffLength: mm(150), stiffWidth: mm(50), openingDiameter: mm(90), openingForward: mm(100) };
    expect(of(stiff).tilt!.passage.reach).to.be.closeTo(0.4, 1e-12);
    expect(of({ ...stiff, reach: mm(120) }).tilt!.passage.reach).to.equal(0.12);
    expect(of(stiff).tilt!.passage.headroom).to.equal(Infinity);
  });
  it('sees whether a siphon reaches the far lobe', () => {
    const reaches = (left: number) =>
      findingsOf(changed(demoJobs.flatBedTender, (j) => (j.hanger!.farLeft = mm(left)))).hanger.pickup!.siphonReaches;
    expect(reaches(-225)).to.equal(true);
    expect(reaches(225)).to.equal(false);
    expect(of({ jetDrill: mm(3), farHeight: mm(10) }).pickup!.siphonReaches, 'a box has no far lobe').to.equal(
      undefined,
    );
  });
});

describe('the siphon’s drill', () => {
  const LPH = 1 / 3.6e6;
  const liquid = { density: 745, viscosity: 0.53e-3 };
  const conditions = (back: number, demand: number, lift = 0.1, more: Partial<JetConditions> = {}): JetConditions => {
    const points = {
      idle: { returnFlow: (back + demand) * LPH, demand: 2 * LPH, liquid },
      cruise: { returnFlow: (back + demand - 14) * LPH, demand: 14 * LPH, liquid },
      fullLoad: { returnFlow: back * LPH, demand: demand * LPH, liquid },
      fullLoadHot: { returnFlow: (back - 10) * LPH, demand: demand * LPH, liquid },
    };
    return { lift, points, free: points, ...more };
  };
  const hanger: Hanger = { jetDrill: mm(3), jetEdge: 'sharp', siphonBore: mm(8), siphonLength: mm(800) };
  const suctionOf = (drill: number, at: JetConditions) =>
    Math.min(
      ...(['fullLoad', 'fullLoadHot'] as const).map(
        (key) => siphonFindings({ ...hanger, jetDrill: { si: drill, unit: 'mm' } }, at)![key].suction,
      ),
    );
  it('is the largest of the set that, 0.05 mm off either way, still brings across 1.15 times what is burnt', () => {
    const found = siphonFindings(hanger, conditions(160, 60))!;
    expect(found.chosenFor).to.equal('everything');
    expect(suctionOf(found.drill! + 0.05e-3, conditions(160, 60))).to.be.at.least(1.15 * 60 * LPH);
    expect(suctionOf(found.drill! + 0.15e-3, conditions(160, 60))).to.be.below(1.15 * 60 * LPH);
    expect(Math.abs((found.drill! * 1e4) % 1)).to.satisfy((rest: number) => rest < 1e-6 || rest > 1 - 1e-6); // tenths of a mm
  });
  it('grows with the flow that drives it and shrinks with the lift', () => {
    const drill = (back: number, lift: number) => siphonFindings(hanger, conditions(back, 40, lift))!.drill!;
    expect(drill(250, 0.1)).to.be.greaterThan(drill(120, 0.1));
    expect(drill(160, 0.05)).to.be.greaterThan(drill(160, 0.2));
  });
  it('is chosen for cruise where full load leaves too little to drive it, and absent where nothing does', () => {
    expect(siphonFindings(hanger, conditions(2, 120))!.chosenFor).to.equal('cruise');
    expect(siphonFindings(hanger, conditions(-105, 120))!.drill).to.equal(undefined);
    expect(siphonFindings({}, conditions(-105, 120))).to.equal(undefined);
  });
  it('is proposed where none is entered, for a run with no jet, and holds no more back than a fifth of the set pressure', () => {
    const proposed = siphonFindings({}, conditions(160, 60))!;
    expect(proposed).to.include({ isEntered: false, of: proposed.drill });
    expect(proposed.idle.suction).to.be.greaterThan(proposed.idle.demand);
    // 1.5 mm and finer hold back more than that; of a lower set pressure no drill is left
    for (const set of [3e5, 4e4]) {
      const found = siphonFindings(hanger, conditions(160, 60, 0.1, { set }))!;
      if (found.drill !== undefined)
        expect(
          siphonFindings({ ...hanger, jetDrill: { si: found.drill - 0.05e-3, unit: 'mm' } }, conditions(160, 60))!.idle
            .backPressure,
        ).to.be.below(set / 5);
    }
    expect(siphonFindings(hanger, conditions(160, 60, 0.1, { set: 1e4 }))!.drill).to.equal(undefined);
  });
  it('of a moulded jet is larger than of a drilled tube, and smaller where its throat cavitates', () => {
    const moulded = siphonFindings({ ...hanger, jetKind: 'moulded' }, conditions(160, 60))!;
    expect(moulded.drill).to.be.greaterThan(siphonFindings(hanger, conditions(160, 60))!.drill!);
    const hot = conditions(160, 60);
    const boiling = { ...hot.points.fullLoadHot, overVapour: 3e3 };
    const choked = siphonFindings(
      { ...hanger, jetDrill: mm(2) },
      { ...hot, points: { ...hot.points, fullLoadHot: boiling } },
    )!;
    expect(choked.fullLoadHot.limit).to.equal('cavitation');
    expect(choked.fullLoadHot.suction).to.be.below(choked.fullLoad.suction);
  });
  it('has its set drawn: holding back less and less, bringing across most in between', () => {
    const { set } = siphonFindings(hanger, conditions(160, 60))!;
    expect(set.length).to.be.greaterThan(30);
    for (let i = 1; i < set.length; i++) expect(set[i]!.backPressure).to.be.below(set[i - 1]!.backPressure);
    expect(set.at(-1)!.suction).to.equal(0);
  });
});

describe('the hanger beside what is not known', () => {
  const stiff = { stiffLength: mm(150), stiffWidth: mm(60), openingDiameter: mm(118), lip: mm(2.5) };
  it('tilts in through the opening less its lip on both sides', () => {
    const { passage } = of(stiff).tilt!;
    expect(passage).to.include({ depth: 0.2, headroom: Infinity });
    expect(passage.hole).to.be.closeTo(0.113, 1e-12);
    expect(of({ ...stiff, lip: undefined }).tilt!.passage.hole).to.equal(0.118);
    for (const key of ['stiffLength', 'stiffWidth', 'openingDiameter'] as const)
      expect(of({ ...stiff, [key]: undefined }).tilt, key).to.equal(undefined);
    expect(of(stiff, (j) => delete j.survey.tank.depth).tilt).to.equal(undefined);
  });
  it('has no pickup without a tank to stand in, or without knowing how it is held', () => {
    expect(of({}).pickup).to.not.equal(undefined);
    expect(of({}, (j) => delete j.survey.tank.length).pickup).to.equal(undefined);
    expect(of({ hold: undefined }).pickup).to.equal(undefined);
  });
  it('measures return to pickup in space, from wherever the opening is', () => {
    const back = of({
      openingForward: mm(40),
      openingLeft: mm(-30),
      returnForward: mm(-60),
      returnLeft: mm(70),
    }).back!;
    // 100 mm along, 100 mm across, and what the return's end stands over the pickup
    const up = back.end - 0.002;
    expect(back.distance).to.be.closeTo(Math.hypot(0.1, 0.1, up), 1e-3);
    expect(of({}, (j) => (get(j, 'returnDrop').pickupDistance = mm(70))).back!.distance).to.equal(0.07);
    expect(of({}, (j) => delete get(j, 'returnDrop').pickupDistance).back!.distance).to.equal(undefined);
  });
  it('takes apart what is wider than the opening less its lip', () => {
    const parts = [{ id: 'a', label: 'bucket', across: mm(115), comesOff: true }];
    const wide = of({ openingDiameter: mm(118), lip: mm(1), parts });
    const lipped = of({ openingDiameter: mm(118), lip: mm(2.5), parts });
    expect(wide.strip!.stuck).to.deep.equal([]);
    expect(JSON.stringify(lipped.strip)).to.not.equal(JSON.stringify(wide.strip));
    expect([of({ parts }).strip, of({ openingDiameter: mm(118) }).strip]).to.deep.equal([undefined, undefined]);
  });
});
