import { expect } from 'chai';
import fc from 'fast-check';
import { cleanJob } from '../../test/rule-cases.ts';
import type { Job } from '../job/job.ts';
import { senderResistance, sweepShare, type FloatSweep } from '../senders/float-sweep.ts';
import { roundedRectangleArea } from '../../test/rounded-rectangle-area.ts';
import { gaugeOutcome, type GaugeFindings } from './gauge-findings.ts';
import { surveyedTank } from '../tanks/surveyed-tank.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const ohm = (si: number) => ({ si, unit: 'Ω' });
/** A plain box, so that litres go with height. */
const boxJob = (gauge: Job['gauge']): Job =>
  cleanJob((j) => {
    Object.assign(j.survey.tank, {
      shape: 'box',
      depth: mm(250),
      length: mm(600),
      width: mm(400),
      cornerRadius: mm(0),
    });
    j.gauge = gauge;
  });
const base = {
  kind: 'ohms',
  senderEmpty: ohm(240),
  senderFull: ohm(33),
  gaugeEmpty: ohm(240),
  gaugeFull: ohm(33),
  floatLow: mm(25),
  floatHigh: mm(225),
} as const;
function findings(job: Job): GaugeFindings {
  const outcome = gaugeOutcome(job);
  if (outcome.kind !== 'computed') throw new Error(JSON.stringify(outcome));
  return outcome.findings;
}

describe('a rounded rectangle', () => {
  it('is a whole circle when the radius is half its sides, and a plain one when it is none', () => {
    for (const level of [0, 0.03, 0.1, 0.17, 0.2])
      expect(roundedRectangleArea(0.2, 0.2, 0, level)).to.be.closeTo(0.2 * level, 1e-12);
    expect(roundedRectangleArea(0.2, 0.2, 0.1, 0.2)).to.be.closeTo(Math.PI * 0.01, 1e-12);
    expect(roundedRectangleArea(0.2, 0.2, 0.1, 0.1)).to.be.closeTo((Math.PI * 0.01) / 2, 1e-12);
  });
  it('loses (4 − π) r² in all, half of it by mid height, and grows with level', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (radius, share) => {
          const area = (level: number) => roundedRectangleArea(0.4, 0.25, radius, level);
          expect(area(0.25)).to.be.closeTo(0.1 - (4 - Math.PI) * radius ** 2, 1e-12);
          expect(area(0.125)).to.be.closeTo(area(0.25) / 2, 1e-12);
          expect(area(share * 0.25) + area(0.25 - share * 0.25)).to.be.closeTo(area(0.25), 1e-12);
        },
      ),
      { seed: 61 },
    );
  });
});

describe('the tank’s table', () => {
  it('fills a lying cylinder to half at half depth, and names what it waits for', () => {
    const job = cleanJob((j) => Object.assign(j.survey.tank, { shape: 'cylinder', depth: mm(300), length: mm(900) }));
    const made = surveyedTank(job.survey.tank);
    if (made.kind !== 'known') throw new Error(made.kind);
    const { table } = made.tank;
    expect(table.rows.at(-1)!.volume).to.be.closeTo(Math.PI * 0.15 ** 2 * 0.9, 1e-12);
    expect(table.rows[60]!.volume).to.be.closeTo((Math.PI * 0.15 ** 2 * 0.9) / 2, 1e-12);
    expect(surveyedTank({ shape: 'box' })).to.deep.equal({ kind: 'needs', needs: ['depth', 'length', 'width'] });
  });
});

describe('a float', () => {
  const sweep: FloatSweep = { low: 0.03, high: 0.23, sender: { empty: 240, full: 33 } };
  it('rests at its stops and goes with height between them', () => {
    expect([0, 0.03, 0.13, 0.23, 0.4].map((h) => senderResistance(sweep, h))).to.deep.equal([240, 240, 136.5, 33, 33]);
  });
  it('goes with the arm’s angle where arm and pivot are known', () => {
    const armed = { ...sweep, arm: { length: 0.2, pivot: 0.13 } };
    const angle = Math.asin(0.1 / 0.2);
    expect(sweepShare(armed, 0.18)).to.be.closeTo((Math.asin(0.05 / 0.2) + angle) / (2 * angle), 1e-12);
    expect(sweepShare(armed, 0.13)).to.be.closeTo(0.5, 1e-12);
  });
});

describe('the dash gauge', () => {
  it('with a sender of its own range in a box: the marks stand at equal litres between the float’s stops', () => {
    const { match, marks } = findings(boxJob(base));
    expect(match).to.deep.equal({ kind: 'direct' });
    // 240 litres a metre of height: 6 L at the bottom stop, 54 L at the top one
    expect(marks.map((m) => m.direct! * 1000)).to.satisfy((litres: number[]) =>
      [6, 18, 30, 42, 54].every((l, i) => Math.abs(litres[i]! - l) < 0.05),
    );
  });
  it('through resistors stands at E and F with the float at its stops, and bends between', () => {
    const { match, marks } = findings(
      boxJob({ ...base, senderEmpty: ohm(10), senderFull: ohm(180), gaugeEmpty: ohm(16), gaugeFull: ohm(158) }),
    );
    expect(match!.kind).to.equal('network');
    expect(marks[0]!.matched! * 1000).to.be.closeTo(6, 1.2);
    expect(marks[4]!.matched! * 1000).to.be.closeTo(54, 1.2);
    for (const mark of marks) expect(mark.matched).to.not.equal(undefined);
  });
  it('gives a programmable gauge its ohms by tenths of the volume, linear in litres', () => {
    const { calibration, match } = findings(boxJob({ ...base, kind: 'programmable' }));
    expect(match).to.equal(undefined);
    expect(calibration.length).to.equal(11);
    expect(calibration[5]!.volume * 1000).to.be.closeTo(30, 1e-6);
    expect(calibration[5]!.ohms).to.be.closeTo(136.5, 0.01);
  });
  it('says what it waits for, and nothing while nobody has looked at it', () => {
    expect(gaugeOutcome(boxJob({ kind: 'ohms' }))).to.deep.equal({
      kind: 'needs',
      names: ['senderEmpty', 'senderFull', 'floatLow', 'floatHigh', 'gaugeEmpty', 'gaugeFull'],
    });
    expect(gaugeOutcome(boxJob(undefined))).to.deep.equal({ kind: 'unused' });
  });
  it('reads the measured track instead of a straight line once the sender was swept', () => {
    // 240, 200 and 33 ohms: the middle of the sweep, at 125 mm, reads 200 instead of 136.5
    const sweep = [240, 200, 33].map((value, i) => ({ share: i / 2, ohms: ohm(value) }));
    const swept = findings(boxJob({ ...base, kind: 'programmable', sweep }));
    expect(swept.track).to.equal('measured');
    expect(swept.calibration[5]!.ohms).to.be.closeTo(200, 0.1);
  });
  it('sees two senders of a saddle tank in series, or their mean', () => {
    const second = { secondEmpty: ohm(240), secondFull: ohm(33), secondLow: mm(25), secondHigh: mm(225) };
    const ohms = (combine: 'sum' | 'mean') =>
      findings(boxJob({ ...base, kind: 'programmable', combine, ...second })).calibration[5]!.ohms;
    expect(ohms('sum')).to.be.closeTo(2 * 136.5, 0.05);
    expect(ohms('mean')).to.be.closeTo(136.5, 0.05);
    // two 240–33 senders in series on a 480–66 gauge need nothing between
    const { match } = findings(
      boxJob({ ...base, combine: 'sum', ...second, gaugeEmpty: ohm(480), gaugeFull: ohm(66) }),
    );
    expect(match).to.deep.equal({ kind: 'direct' });
  });
  it('does not follow the fuel below the bottom stop and above the top one', () => {
    const { deadBands } = findings(boxJob(base));
    expect(deadBands.below * 1000).to.be.closeTo(6, 0.01);
    expect(deadBands.above * 1000).to.be.closeTo(6, 0.01);
  });
  it('that works by heat and gets 12 V instead of 10 V reads high by the heat’s square', () => {
    const heat = {
      ...base,
      movement: 'bimetal' as const,
      stabiliser: { si: 10, unit: 'V' },
      gaugeResistance: ohm(60),
      supply: { si: 12, unit: 'V' },
    };
    // heats (10/300)² and (10/93)² at E and F; at ½ 44 % more of their mean, over their difference
    const [e, f] = [(10 / 300) ** 2, (10 / 93) ** 2];
    expect(findings(boxJob(heat)).supplyShift).to.be.closeTo((0.44 * (e + f)) / 2 / (f - e), 1e-9);
    expect(findings(boxJob({ ...heat, movement: 'crossCoil' })).supplyShift).to.equal(undefined);
  });
  it('is proved by fills that were read in ohms', () => {
    const job = boxJob(base);
    job.survey.tank.fills = [{ id: 'a', added: { si: 0.03, unit: 'L' }, ohms: ohm(140) }];
    expect(findings(job).proof[0]!.measured).to.equal(140);
    expect(findings(job).proof[0]!.computed).to.be.closeTo(136.5, 0.05);
  });
});
