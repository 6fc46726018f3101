import { expect } from 'chai';
import { inches, mm } from '../units/quick.ts';
import {
  BELIEVED,
  CALIPER_ERROR,
  COUNT_ERROR,
  fitOf,
  GAUGE_ERROR,
  normal,
  RULE_ERROR,
  trueRange,
  type PitchReading,
} from './thread-reading.ts';
import { threadByCode } from './thread.ts';

const dash6 = threadByCode('flare37:-6')!; // 9/16-18
const unknown = { by: 'unknown' } as const;
const male = (diameter: number, pitch: PitchReading = unknown, error?: number) =>
  fitOf(dash6, { gender: 'male', diameter, pitch, ...(error === undefined ? {} : { error }) });

describe('normal distribution', () => {
  it('has the values of printed tables, from memory, within 1.5e-7', () => {
    for (const [z, share] of [
      [0, 0.5],
      [0.5, 0.6914625],
      [1, 0.8413447],
      [1.96, 0.9750021],
      [3, 0.9986501],
      [-1, 0.1586553],
      [-2.5, 0.0062097],
    ] as const)
      expect(normal(z), `${z}`).to.be.closeTo(share, 2e-7);
  });
});

describe('what a reading makes of a thread', () => {
  it('a male thread reads 0.05 to 0.25 mm under its basic size, a female one up to 0.2 mm over it', () => {
    expect(dash6.readMale).to.be.closeTo(inches(9 / 16), 1e-9);
    const [low, high] = trueRange(dash6, 'male');
    expect(dash6.readMale - low).to.be.closeTo(mm(0.25), 1e-12);
    expect(dash6.readMale - high).to.be.closeTo(mm(0.05), 1e-12);
    const [least, most] = trueRange(dash6, 'female');
    expect(least - dash6.readFemale).to.be.closeTo(0, 1e-12);
    expect(most - dash6.readFemale).to.be.closeTo(mm(0.2), 1e-12);
  });

  it('the diameter is believed two standard deviations beyond both ends', () => {
    const [low, high] = trueRange(dash6, 'male');
    expect(male(low - BELIEVED * CALIPER_ERROR).diameterMargin).to.be.closeTo(0, 1e-12);
    expect(male(high + BELIEVED * CALIPER_ERROR).diameterMargin).to.be.closeTo(0, 1e-12);
    const middle = (low + high) / 2;
    expect(male(middle).diameterMargin).to.be.closeTo(mm(0.1) + BELIEVED * CALIPER_ERROR, 1e-12);
    expect(male(middle, unknown, mm(0.1)).diameterMargin).to.be.closeTo(mm(0.3), 1e-12); // another caliper
    expect(male(mm(14)).deviation).to.be.closeTo(mm(14) - inches(9 / 16), 1e-12);
    const female = fitOf(dash6, { gender: 'female', diameter: mm(13), pitch: unknown });
    expect(female.deviation).to.be.closeTo(mm(13) - dash6.readFemale, 1e-12);
  });

  it('sigma counts from the middle, the limits as an even spread of their width over √12', () => {
    const [low, high] = trueRange(dash6, 'male');
    const middle = (low + high) / 2;
    const spread = Math.sqrt(mm(0.2) ** 2 / 12 + CALIPER_ERROR ** 2); // 0.0651 mm
    expect(male(middle).sigma).to.be.closeTo(0, 1e-9);
    expect(male(middle + mm(0.1)).sigma).to.be.closeTo(mm(0.1) / spread, 1e-9);
    expect(male(middle - mm(0.1)).sigma).to.be.closeTo(1.536, 0.001); // by hand
    // and the pitch beside it, as the two legs of a right angle
    const pitch = { by: 'gauge', pitch: dash6.pitch * (1 + 2 * GAUGE_ERROR) } as const;
    expect(male(middle + mm(0.1), pitch).sigma).to.be.closeTo(Math.hypot(1.536, 2), 0.001);
  });

  it('the likelihood is that of an even spread read with a normal error, and sums up to one', () => {
    const [low, high] = trueRange(dash6, 'male');
    // deep inside: the height of an even spread; far away: none; at an end: half
    expect(male((low + high) / 2).likelihood).to.be.closeTo((1 / mm(0.2)) * (2 * normal(0.1 / 0.03) - 1), 0.1);
    expect(male(high).likelihood).to.be.closeTo(0.5 / mm(0.2), 0.1);
    expect(male(high + mm(0.5)).likelihood).to.be.lessThan(1e-3);
    const step = mm(0.01);
    let all = 0;
    for (let d = low - mm(0.2); d < high + mm(0.2); d += step) all += male(d).likelihood * step;
    expect(all).to.be.closeTo(1, 0.001);
  });

  it('a pitch that is not taken says nothing', () => {
    const fit = male(dash6.readMale);
    expect(fit.pitchMargin).to.equal(Infinity);
  });

  it('a thread gauge is believed within 2 % of the pitch: 18 per inch is neither 17 nor 19', () => {
    const gauge = (perInch: number) => male(dash6.readMale, { by: 'gauge', pitch: inches(1 / perInch) });
    expect(gauge(18).pitchMargin).to.be.closeTo(BELIEVED * GAUGE_ERROR * inches(1 / 18), 1e-12);
    expect(gauge(17).pitchMargin).to.be.lessThan(0);
    expect(gauge(19).pitchMargin).to.be.lessThan(0);
    const off = (share: number) => male(dash6.readMale, { by: 'gauge', pitch: dash6.pitch * (1 + share) }).pitchMargin;
    expect(off(0.0199)).to.be.greaterThan(0);
    expect(off(0.0201)).to.be.lessThan(0);
    expect(off(-0.0201)).to.be.lessThan(0);
  });

  it('crests lie one pitch apart, the first one counted too, by a rule of 0.25 mm', () => {
    const over = (length: number) => male(dash6.readMale, { by: 'crests', crests: 11, over: length });
    const ten = 10 * inches(1 / 18);
    expect(over(ten).pitchMargin).to.be.closeTo(BELIEVED * RULE_ERROR, 1e-12);
    expect(over(ten + mm(0.49)).pitchMargin).to.be.closeTo(mm(0.01), 1e-12);
    expect(over(ten - mm(0.51)).pitchMargin).to.be.closeTo(mm(-0.01), 1e-12);
    // one standard deviation off: e^-½ of the likelihood
    expect(over(ten + RULE_ERROR).likelihood / over(ten).likelihood).to.be.closeTo(Math.exp(-0.5), 1e-6);
    expect(over(ten).likelihood * RULE_ERROR).to.be.closeTo(male(dash6.readMale).likelihood, 1e-6);
  });

  it('a count in a stated length is whole pitches: half a one and its error are believed', () => {
    const count = (counted: number) => male(dash6.readMale, { by: 'count', count: counted, over: inches(0.5) }); // 9 pitches
    expect(count(9).pitchMargin).to.be.closeTo(0.5 + BELIEVED * COUNT_ERROR, 1e-9);
    expect(count(10).pitchMargin).to.be.closeTo(-0.2, 1e-9);
    expect(count(8).pitchMargin).to.be.closeTo(-0.2, 1e-9);
    const [low, high] = trueRange(dash6, 'male');
    const middle = (low + high) / 2;
    const sigmaOf = (counted: number) =>
      fitOf(dash6, { gender: 'male', diameter: middle, pitch: { by: 'count', count: counted, over: inches(0.5) } })
        .sigma;
    expect(sigmaOf(9.4)).to.be.closeTo(0, 1e-9);
    expect(sigmaOf(10)).to.be.closeTo(0.5 / 0.15, 1e-9);
    const even = male(dash6.readMale).likelihood;
    expect(count(9).likelihood / even).to.be.closeTo(2 * normal(0.5 / 0.15) - 1, 1e-9);
    expect(count(10).likelihood / even).to.be.closeTo(normal(1.5 / 0.15) - normal(0.5 / 0.15), 1e-9);
  });
});
