import { expect } from 'chai';
import fc from 'fast-check';
import { cavitationRatio, jetBackPressure, jetPressureGain, jetSuction, throatLoss, type JetKind } from './jet-pump.ts';
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

// Constants as published by Gosline & O'Brien (throat 0.28, diffuser 0.10), from memory; a plain tube without diffuser about 1.1.
describe('a jet pump', () => {
  const K = { moulded: 0.38, drilled: 1.1 } as const;
  const kinds = Object.keys(K) as JetKind[];
  it('has the losses of its kind', () => {
    for (const kind of kinds) expect(throatLoss[kind]).to.be.closeTo(K[kind], 1e-12);
  });
  it('gains what momentum in the throat gives less its losses', () => {
    // Cunningham's N written out: mixing 2b + 2M²b²/(1−b) − 2b²(1+M)², then (1−K) b²(1+M)² of the mixture's head comes back
    for (const kind of kinds)
      for (const b of [0.1, 0.25, 0.5])
        for (const m of [0, 0.4, 1.2]) {
          const mixing = 2 * b + (2 * m ** 2 * b ** 2) / (1 - b) - 2 * b ** 2 * (1 + m) ** 2;
          const recovered = (1 - K[kind]) * b ** 2 * (1 + m) ** 2;
          const entry = 1.05 * ((m * b) / (1 - b)) ** 2;
          expect(jetPressureGain(m, b, kind)).to.be.closeTo(mixing + recovered - entry, 1e-12);
        }
  });
  it('gives less the more it sucks, up to where it gives nothing', () => {
    for (const b of [0.1, 0.2, 0.3]) {
      const gains = [0, 0.5, 1, 1.5].map((ratio) => jetPressureGain(ratio, b, 'moulded'));
      for (let i = 1; i < gains.length; i++) expect(gains[i]).to.be.below(gains[i - 1]!);
    }
  });
  it('never gives out more power than the jet brings in', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0.02, max: 0.7, noNaN: true }),
        fc.constantFrom(...kinds),
        (ratio, b, kind) => {
          // over ρv²/2: the jet brings 1.05 less what it still has to give to the discharge
          const gain = jetPressureGain(ratio, b, kind);
          if (gain > 0) expect(gain * ratio).to.be.below(1.05 - gain + 1e-9);
        },
      ),
      { seed: 23 },
    );
  });
  const jet = { nozzle: 3e-3, throat: 6e-3, edge: 'sharp', kind: 'drilled' } as const;
  const draw = (motive: number, lift: number, of: object = {}, overVapour?: number) =>
    jetSuction({ ...jet, ...of }, motive * LPH, { density: PETROL, resistance: () => lift, overVapour });
  it('sucks more with more motive flow, less against more lift, and stays full of air against too much', () => {
    const suction = (motive: number, lift: number) => draw(motive, lift).flow / LPH;
    expect(suction(200, 1000)).to.be.greaterThan(suction(150, 1000));
    expect(suction(150, 1000)).to.be.greaterThan(suction(150, 3000));
    expect(draw(150, 1e6)).to.deep.equal({ flow: 0, limit: 'air' });
    expect(draw(0, 100).flow).to.equal(0);
    expect(draw(200, 1000, { kind: 'moulded' }).flow).to.be.greaterThan(draw(200, 1000).flow);
  });
  it('draws nothing with a throat no wider than its jet', () => {
    expect(draw(200, 0, { throat: 2.3e-3 })).to.deep.equal({ flow: 0, limit: 'air' });
  });
  it('cavitates where M = (1−b)/b √((p_s − p_v)/(1.35 ½ρV²))', () => {
    // a sharp 3 mm jet narrows to 0.62 of its area: b = 0.62/4
    const b = 0.62 / 4;
    const dynamic = (PETROL / 2) * ((200 * LPH) / (0.62 * (Math.PI / 4) * 3e-3 ** 2)) ** 2;
    for (const over of [1e3, 2e3, 4e3]) {
      const limit = ((1 - b) / b) * Math.sqrt((over - 500) / (1.35 * dynamic));
      expect(cavitationRatio(over - 500, dynamic, b)).to.be.closeTo(limit, 1e-12);
      const found = draw(200, 500, {}, over);
      expect(found.limit).to.equal('cavitation');
      expect(found.flow / (200 * LPH) / limit).to.be.closeTo(1, 1e-6);
    }
    expect(draw(200, 500, {}, 5e4).limit).to.equal('none');
    expect(draw(200, 500, {}, 400)).to.deep.equal({ flow: 0, limit: 'cavitation' });
  });
  it('holds back more the smaller it is drilled', () => {
    const back = (nozzle: number) => jetBackPressure({ ...jet, nozzle, throat: 0.01 }, 200 * LPH, PETROL);
    expect(back(1.5e-3) / back(3e-3)).to.be.closeTo(16, 1e-9);
  });
});
