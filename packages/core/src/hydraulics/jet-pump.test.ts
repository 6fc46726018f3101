import { expect } from 'chai';
import fc from 'fast-check';
import { jetBackPressure, jetPressureGain, suctionFlow } from './jet-pump.ts';
import { orificeDrop, orificeFlow } from './orifice.ts';

const LPH = 1 / 3.6e6;
const PETROL = 745;

describe('an orifice', () => {
  // Check values of the trade handbook: 200 L/h of petrol, Cd 0.62 (ISO 5167 family).
  it('of 3 mm holds back 60 kPa and of 1.5 mm 958 kPa at 200 L/h', () => {
    expect(orificeDrop(200 * LPH, 3e-3, 'sharp', PETROL) / 1e3).to.be.closeTo(60, 0.5);
    expect(orificeDrop(200 * LPH, 1.5e-3, 'sharp', PETROL) / 1e3).to.be.closeTo(958, 1);
  });
  it('passes the flow again that its drop drives', () => {
    expect(orificeFlow(orificeDrop(1e-4, 4e-3, 'drilled', PETROL), 4e-3, 'drilled', PETROL)).to.be.closeTo(1e-4, 1e-15);
    expect(orificeFlow(-5, 4e-3, 'sharp', PETROL)).to.equal(0);
  });
});

describe('a jet pump', () => {
  it('without losses and without suction gains what a sudden enlargement recovers: 2b − 2b² + b² (momentum)', () => {
    // with losses K: gain(0) = 2b − (1 + K) b²; K is 0.2 here
    for (const b of [0.1, 0.25, 0.5]) expect(jetPressureGain(0, b)).to.be.closeTo(2 * b - 1.2 * b ** 2, 1e-12);
  });
  it('gives less the more it sucks, up to where it gives nothing', () => {
    for (const b of [0.1, 0.2, 0.3]) {
      const gains = [0, 0.5, 1, 1.5].map((ratio) => jetPressureGain(ratio, b));
      for (let i = 1; i < gains.length; i++) expect(gains[i]).to.be.below(gains[i - 1]!);
    }
  });
  it('never gives out more power than the jet brings in', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0.02, max: 0.7, noNaN: true }),
        (ratio, b) => {
          // over ρv²/2: the jet brings 1.05 less what it still has to give to the discharge
          const gain = jetPressureGain(ratio, b);
          if (gain > 0) expect(gain * ratio).to.be.below(1.05 - gain + 1e-9);
        },
      ),
      { seed: 23 },
    );
  });
  it('sucks more with more motive flow, less against more lift, and nothing against too much', () => {
    const jet = { nozzle: 3e-3, throat: 6e-3, edge: 'sharp' as const };
    const suction = (motive: number, lift: number) => suctionFlow(jet, motive * LPH, PETROL, () => lift) / LPH;
    expect(suction(200, 1000)).to.be.greaterThan(suction(150, 1000));
    expect(suction(150, 1000)).to.be.greaterThan(suction(150, 3000));
    expect(suction(150, 1e6)).to.equal(0);
    expect(suction(0, 100)).to.equal(0);
  });
  it('holds back more the smaller it is drilled', () => {
    const back = (nozzle: number) => jetBackPressure({ nozzle, throat: 0.01, edge: 'sharp' }, 200 * LPH, PETROL);
    expect(back(1.5e-3) / back(3e-3)).to.be.closeTo(16, 1e-9);
  });
});
